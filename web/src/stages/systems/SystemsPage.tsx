import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { CatalogueView, TrainingSystem } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { MOST_BYTES, packIn } from './editor/packFile';
import { SystemEditor } from './editor/SystemEditor';
import './systems.css';
import { BLANK, usePack, useSampleTree } from './useSystem';

const WIDTH = 226;
const HEIGHT = 236;

/** The training systems as rules, each with a typical tree cut by it; they can be copied and changed. */
export function SystemsPage() {
  const { t } = useReading();
  const catalogue = useCatalogue();
  const may = useMay();
  const [open, setOpen] = useState<string | null>(null);
  const [imported, setImported] = useState<TrainingSystem | undefined>();
  const [refused, setRefused] = useState(false);
  useEffect(() => {
    document.title = `${t('systems.title')} · Rama`;
  }, [t]);
  // A file opens like a system that is not saved yet; its faults are told at their fields.
  const take = async (file: File) => {
    const system = file.size <= MOST_BYTES ? packIn(await file.text()) : null;
    setRefused(system === null);
    if (!system) return;
    setImported(system);
    setOpen(BLANK);
  };
  if (catalogue.error) return <Trouble error={catalogue.error} retry={() => void catalogue.refetch()} />;
  if (!catalogue.data) return <p className="waiting">{t('loading')}</p>;
  return (
    <main className="page systems">
      <div className="stage-head">
        <h1>{t('systems.title')}</h1>
        <Link to="trees">{t('trees.title')}</Link>
        <Link to="compare">{t('choice.title')}</Link>
        <Link to="/catalogue">{t('place.catalogue')}</Link>
      </div>
      <p>{t('systems.text')}</p>
      {may('catalogue') && open === null && (
        <p className="system-tools">
          <Button
            onClick={() => {
              setOpen(BLANK);
            }}
            data-test="new-system"
          >
            {t('systems.new')}
          </Button>
          <label className="ant-btn ant-btn-default system-import">
            {t('systems.import')}
            <input
              type="file"
              accept="application/json,.json"
              data-test="import-system"
              onChange={(e) => {
                const file = e.target.files?.[0];
                e.target.value = '';
                if (file) void take(file);
              }}
            />
          </label>
        </p>
      )}
      {refused && (
        <p className="field-problem" role="alert">
          {t('systems.no-system')}
        </p>
      )}
      {open !== null && (
        <SystemEditor
          key={open}
          id={open}
          imported={imported}
          names={catalogue.data.systems}
          crops={catalogue.data.crops}
          onDone={() => {
            setOpen(null);
            setImported(undefined);
          }}
        />
      )}
      <div className="systems-grid">
        {catalogue.data.systems.map((s) => (
          <SystemCard
            key={s.id}
            system={s}
            crops={catalogue.data.crops}
            open={() => {
              setOpen(s.id);
              window.scrollTo({ top: 0 });
            }}
          />
        ))}
      </div>
    </main>
  );
}

function SystemCard({
  system,
  crops,
  open,
}: {
  system: CatalogueView['systems'][number];
  crops: CatalogueView['crops'];
  open: () => void;
}) {
  const { t, local } = useReading();
  const pack = usePack(system.id);
  const sample = useSampleTree(pack.data?.system);
  return (
    <button type="button" className="system-card" onClick={open} data-test={`system-${system.id}`}>
      <span className="system-drawing">
        {sample.data && (
          <TreeDrawing
            tree={sample.data.tree}
            view={sample.data.seenFrom}
            width={WIDTH}
            height={HEIGHT}
            now={false}
            ground={12}
            margin={12}
            made={sample.data.cuts.filter((c) => c.bud === null)}
            heightLimitText=""
            tags={false}
          />
        )}
      </span>
      <strong>{local(system.name)}</strong>
      <span className="small dim">
        {system.crops.map((c) => local(crops.find((k) => k.id === c)?.name)).join(', ')} ·{' '}
        {t(pack.data?.system.aim === 'light' ? 'systems.light' : 'systems.number')}
        {system.version > 0 && ` · ${t(system.isShipped ? 'systems.changed' : 'systems.own')}`}
      </span>
      {system.note && <span className="small system-note">▲ {local(system.note)}</span>}
    </button>
  );
}
