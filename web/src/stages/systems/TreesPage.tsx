import type { UseQueryResult } from '@tanstack/react-query';
import { Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { CatalogueView, SystemTrees } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import type { View } from '../../drawings/tree';
import { Trouble } from '../../Trouble';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import './systems.css';
import { useSystemTrees } from './useSystem';

const WIDTH = 340;
const HEIGHT = 400;
/** Side of the drawings where each system shows one. */
const SMALL = 250;
const VIEWS: readonly View[] = ['along', 'across'];
const TRUNKS = ['thin', 'middle', 'thick'] as const;
type Trunk = (typeof TRUNKS)[number];

/** What trees of each system look like, thin, middle and thick, and what an orchardist would measure on them. */
export function TreesPage() {
  const { t } = useReading();
  const catalogue = useCatalogue();
  const [view, setView] = useState<View | null>(null);
  const [trunk, setTrunk] = useState<Trunk | null>(null);
  const systems = catalogue.data?.systems ?? [];
  const trees = useSystemTrees(systems.map((s) => s.id));
  const told = trees.filter((q) => !q.isPending).length;
  useEffect(() => {
    document.title = `${t('trees.title')} · Rama`;
  }, [t]);
  if (catalogue.error) return <Trouble error={catalogue.error} retry={() => void catalogue.refetch()} />;
  if (!catalogue.data) return <p className="waiting">{t('loading')}</p>;
  return (
    <main className="page systems">
      <div className="stage-head">
        <h1>{t('trees.title')}</h1>
        <Link to="/catalogue/systems">{t('systems.title')}</Link>
      </div>
      <p>{t('trees.text')}</p>
      <div className="trees-choices">
        <Segmented
          value={trunk ?? ''}
          onChange={(chosen: Trunk | '') => {
            setTrunk(chosen === '' ? null : chosen);
          }}
          options={[
            { value: '', label: t('trees.all') },
            ...TRUNKS.map((x) => ({ value: x, label: t(`trees.${x === 'middle' ? 'middle-trunk' : x}`) })),
          ]}
        />
        <Segmented
          value={view ?? ''}
          onChange={(chosen: View | '') => {
            setView(chosen === '' ? null : chosen);
          }}
          options={[{ value: '', label: t('trees.best') }, ...VIEWS.map((v) => ({ value: v, label: t(`bench.${v}`) }))]}
        />
      </div>
      <div className={trunk ? 'trees-grid' : undefined} data-test="trees" data-told={told}>
        {systems.slice(0, told + 1).map((s, i) => (
          <TreesOf key={s.id} system={s} trees={trees[i]!} view={view} trunk={trunk} />
        ))}
      </div>
    </main>
  );
}

function TreesOf({
  system,
  trees,
  view,
  trunk,
}: {
  system: CatalogueView['systems'][number];
  trees: UseQueryResult<SystemTrees>;
  view: View | null;
  trunk: Trunk | null;
}) {
  const { t, local } = useReading();
  return (
    <section className="sheet trees-of" data-test={`trees-${system.id}`}>
      <h2>{local(system.name)}</h2>
      {trees.error && <Trouble error={trees.error} retry={() => void trees.refetch()} />}
      {trees.isPending && <p className="waiting">{t('loading')}</p>}
      {trees.data && (
        <>
          <div className="trees-drawn">
            {trees.data.trees
              .filter((x) => trunk === null || x.trunk === trunk)
              .map(({ trunk: which, cut }) => (
                <figure key={which}>
                  <TreeDrawing
                    tree={cut.tree}
                    view={view ?? cut.seenFrom}
                    width={trunk ? SMALL : WIDTH}
                    height={trunk ? SMALL : HEIGHT}
                    now={false}
                    ground={20}
                    margin={20}
                    made={cut.cuts}
                    wires={trees.data.wiresM}
                    like={trunk ? undefined : trees.data.trees.at(-1)!.cut.tree}
                    heightLimitM={cut.heightLimitM}
                    heightLimitText={t('bench.height-limit')}
                    alleyText={t('bench.alley')}
                  />
                  <figcaption className="small">
                    <TreeCaption cut={cut} trunk={which} />
                  </figcaption>
                </figure>
              ))}
          </div>
          <Facts trees={trees.data} />
        </>
      )}
    </section>
  );
}

function TreeCaption({ trunk, cut }: SystemTrees['trees'][number]) {
  const { t, number, told } = useReading();
  return t('trees.caption', {
    trunk: t(trunk === 'middle' ? 'trees.middle-trunk' : `trees.${trunk}`),
    thick: told(cut.tree.trunkMm, 'mm', 0),
    before: number(cut.tree.floralBuds, 0),
    left: number(cut.after.floralBuds, 0),
    count: cut.cuts.length,
  });
}

/** What was measured on many of them, beside what is expected and who says so. */
function Facts({ trees }: { trees: SystemTrees }) {
  const { t, number, amount } = useReading();
  const shown = (value: number, unit: string) => {
    const as = unit === 'm' || unit === 'mm' ? amount(value, unit, unit === 'm' ? 1 : 0) : null;
    return as
      ? `${as.number} ${as.unit}`
      : `${number(value, value < 10 ? 1 : 0)}${unit ? ` ${t(`unit.${unit}`, { defaultValue: unit })}` : ''}`;
  };
  return (
    <details className="small">
      <summary>{t('trees.facts', { count: trees.measured })}</summary>
      <table className="figures">
        <thead>
          <tr>
            <td />
            <th className="number">{t('trees.middle')}</th>
            <th className="number">{t('trees.most-of-them')}</th>
            <th className="number">{t('trees.expected')}</th>
            <th>{t('trees.source')}</th>
          </tr>
        </thead>
        <tbody>
          {trees.facts.map((f) => (
            <tr key={f.code}>
              <td>{t(`trees.fact-${f.code}`)}</td>
              <td className="number">{shown(f.middle, f.unit)}</td>
              <td className="number">
                {shown(f.low, f.unit)} – {shown(f.high, f.unit)}
              </td>
              <td className="number">
                {f.expected ? `${shown(f.expected.least, f.unit)} – ${shown(f.expected.most, f.unit)}` : '–'}
              </td>
              <td>{f.expected && t(f.expected.source, { defaultValue: f.expected.source })}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="dim">{t('trees.made-from', { source: t(trees.source, { defaultValue: trees.source }) })}</p>
    </details>
  );
}
