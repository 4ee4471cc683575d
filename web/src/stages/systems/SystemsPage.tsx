import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { CatalogueView } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { Trouble } from '../../Trouble';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { SystemEditor } from './SystemEditor';
import './systems.css';
import { usePack, useSampleTree } from './useSystem';

const WIDTH = 226;
const HEIGHT = 236;

/** The training systems as rules, each with a typical tree cut by it; they can be copied and changed. */
export function SystemsPage() {
  const { t } = useReading();
  const catalogue = useCatalogue();
  const [open, setOpen] = useState<string | null>(null);
  useEffect(() => {
    document.title = `${t('systems.title')} · Rama`;
  }, [t]);
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
      {open !== null && (
        <SystemEditor
          key={open}
          id={open}
          names={catalogue.data.systems}
          onDone={() => {
            setOpen(null);
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
