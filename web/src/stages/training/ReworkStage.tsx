import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type ReworkView } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { writeNumbers } from '../../entry/numberList';
import { Why } from '../../entry/Why';
import { FieldConflicts, useFieldNews } from '../../field/FieldConflicts';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { Ribbon } from './Ribbon';
import { RibbonColours } from './RibbonColours';
import { ReworkedTrees, type ChosenTrees } from './ReworkedTrees';
import { standingName } from './standing';
import { YearsTabs } from './YearsTabs';
import '../../words/count';
import './training.css';
import './rework.css';

type Plan = NonNullable<ReworkView['plan']>;

/** Trees grafted over and trees to go: how they stand, and the work of the winter. */
export function ReworkStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const rework = useQuery({
    queryKey: ['rework', view.id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/rework', { params: { path: { id: view.id } } })),
  });
  if (rework.error) return <Trouble error={rework.error} retry={() => void rework.refetch()} />;
  if (!rework.data) return <p className="waiting">{t('loading')}</p>;
  return <Rework rework={rework.data} />;
}

function Rework({ rework }: { rework: ReworkView }) {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const { plan } = rework;
  const news = useFieldNews();
  const [chosen, setChosen] = useState<ChosenTrees | null>(null);
  return (
    <section className="training">
      <YearsTabs at="rework" />
      <div className="stage-head">
        <h2>{t('rework.title')}</h2>
        {plan && <Sum plan={plan} />}
        <Link to={`/plantings/${view.id}/trees`} className="small">
          {t('sheet-page.title')}
        </Link>
      </div>
      {news && <FieldConflicts entries={news.entries} kind="rework" />}
      {plan ? (
        <>
          <Notices notices={plan.warnings} />
          <ul className="rework-standings" aria-label={t('rework.by-standing')} data-test="standings">
            {plan.standings.map((s) => (
              <li key={`${s.standing}${s.winter ?? ''}`}>
                <strong>{s.trees}</strong> {standingName(t, s.standing, s.winter)}{' '}
                <Ribbon colour={rework.ribbons[s.standing] ?? 'none'} />
              </li>
            ))}
          </ul>
          <WorkList plan={plan} />
          <h3>{t('rework.rows')}</h3>
          <RowByRow plan={plan} ribbons={rework.ribbons} onChoose={setChosen} />
          <Crop plan={plan} />
        </>
      ) : (
        <p className="dim">
          {t('rework.none')} <Link to={`/plantings/${view.id}/taking-out`}>{t('taking-out.title')}</Link>
        </p>
      )}
      <ReworkedTrees
        rework={rework}
        planting={view.id}
        chosen={chosen}
        key={`${chosen ? `${chosen.row}/${chosen.trees}` : ''}${rework.trees.map((tree) => tree.version).join()}`}
      />
      <RibbonColours rework={rework} key={rework.estateVersion} />
    </section>
  );
}

function Sum({ plan }: { plan: Plan }) {
  const { t, number } = useReading();
  const going = plan.standings.find((s) => s.standing === 'toRemove')?.trees ?? 0;
  const open = plan.trees.filter((tree) => !tree.isDone && tree.tasks.length > 0).length + going;
  return (
    <p className="training-sum" data-test="rework-sum">
      {plan.hours ? (
        <>
          <strong>{open}</strong> {t('rework.asks', { count: open })} ·{' '}
          <Why steps={plan.hours.steps}>{t('rework.hours', { hours: number(plan.hours.paid, 1) })}</Why>
        </>
      ) : (
        t('rework.all-done')
      )}
      <span className="dim">
        {plan.finishedFrom !== null && ` · ${t('rework.finished', { season: plan.finishedFrom })}`}
      </span>
    </p>
  );
}

function WorkList({ plan }: { plan: Plan }) {
  const { t, local, number } = useReading();
  if (plan.work.length === 0) return null;
  return (
    <table className="rework-work" data-test="rework-work">
      <thead>
        <tr>
          <th scope="col">{t('rework.work')}</th>
          <th scope="col" className="number">
            {t('rework.trees')}
          </th>
          <th scope="col" className="number">
            {t('rework.done')}
          </th>
          <th scope="col" className="number">
            {t('rework.left-minutes')}
          </th>
        </tr>
      </thead>
      <tbody>
        {plan.work.map(({ task, trees, done, minutes }) => (
          <tr key={task.id}>
            <td>
              {local(task.name)}
              {task.caution && <span className="rework-caution">▲ {local(task.caution)}</span>}
            </td>
            <td className="number">{trees}</td>
            <td className="number">{done}</td>
            <td className="number">
              {number(minutes, 0)} <span className="unit">min</span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function grouped<T, K>(items: readonly T[], key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return groups;
}

/** Trees of one standing side by side are one entry. */
function RowByRow({
  plan,
  ribbons,
  onChoose,
}: {
  plan: Plan;
  ribbons: ReworkView['ribbons'];
  onChoose: (trees: ChosenTrees) => void;
}) {
  const { t } = useReading();
  const going = new Map(plan.toGo.map((r) => [r.row, r.trees]));
  const rows = grouped(plan.trees, (tree) => tree.row);
  const numbers = [...new Set([...rows.keys(), ...going.keys()])].toSorted((a, b) => a - b);
  return (
    <dl className="rework-rows" data-test="rework-rows">
      {numbers.map((row) => {
        const groups = grouped(rows.get(row) ?? [], (tree) => `${tree.standing}/${tree.winter ?? ''}/${tree.isDone}`);
        return [
          <dt key={`${row}`} className="dim">
            {t('rework.row', { row })}
          </dt>,
          <dd key={`${row}d`}>
            {[...groups].map(([key, group]) => {
              const list = writeNumbers(group.map((tree) => tree.tree));
              const first = group[0]!;
              return (
                <button
                  type="button"
                  key={key}
                  className={first.isDone ? 'rework-chip rework-chip-done' : 'rework-chip'}
                  onClick={() => {
                    onChoose({ row, trees: list });
                  }}
                >
                  {first.isDone && '✓ '}
                  {list} <span className="dim">{standingName(t, first.standing, first.winter)}</span>{' '}
                  <Ribbon colour={ribbons[first.standing] ?? 'none'} />
                </button>
              );
            })}
            {going.has(row) && (
              <span className="rework-chip">
                {writeNumbers(going.get(row)!)} <span className="dim">{standingName(t, 'toRemove', null)}</span>{' '}
                <Ribbon colour={ribbons.toRemove ?? 'none'} />
              </span>
            )}
          </dd>,
        ];
      })}
    </dl>
  );
}

function Crop({ plan }: { plan: Plan }) {
  const { t, number } = useReading();
  return (
    <>
      <h3>
        {t('rework.crop')}{' '}
        <span className="small dim">
          {[
            plan.halfCropFrom !== null &&
              plan.halfCropFrom > plan.season &&
              t('rework.half', { season: plan.halfCropFrom }),
            plan.fullCropFrom !== null && t('rework.full', { season: plan.fullCropFrom }),
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </h3>
      <ul className="rework-crop" data-test="rework-crop">
        {plan.crop.map(({ season, share }) => (
          <li key={season}>
            {number(share * 100, 0)} %
            <span className="rework-crop-bar" style={{ height: `${Math.max(1, share * 70)}px` }} />
            <span className="dim">{season}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
