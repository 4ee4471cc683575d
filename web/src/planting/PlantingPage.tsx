import { useEffect } from 'react';
import { Link, Outlet, useLocation, useParams } from 'react-router';
import type { PlantingView, PruningPlan, Stage } from '../api/client';
import { Ledger } from '../drawings/Ledger';
import { StageRail, type RailStage } from '../drawings/StageRail';
import { useChecks } from '../stages/check/useChecks';
import { Notes } from '../stages/estate/notes/Notes';
import { Trouble } from '../Trouble';
import { HabitContext } from '../words/habit';
import { useReading } from '../words/useReading';
import { ConflictDialog } from './ConflictDialog';
import { PlantingWorkContext, usePlanting } from './usePlanting';
import { titleOf } from './titleOf';
import { useHabit } from './useHabit';

const stages: Stage[] = ['target', 'count', 'decide', 'prescribe'];

export function PlantingPage() {
  const { id } = useParams();
  // A fresh page per planting, so that no draft of one is ever shown at another.
  return <Planting key={id} id={id!} />;
}

/** The heart: the stage rail, the ledger always in view, and the page of the stage below it. */
function Planting({ id }: { id: string }) {
  const { t } = useReading();
  const { work, error } = usePlanting(id);
  const { search } = useLocation();
  const habit = useHabit(work?.plan.planting?.variety.crop);
  useEffect(() => {
    document.title = work ? `${titleOf(work.view.planting)} · Rama` : 'Rama';
  }, [work]);

  if (error)
    return (
      <Trouble
        error={error}
        retry={() => {
          window.location.reload();
        }}
      />
    );
  if (!work) return <p className="waiting">{t('loading')}</p>;
  const { view, plan, unsaved } = work;
  return (
    <HabitContext.Provider value={habit}>
      <PlantingWorkContext.Provider value={work}>
        <div className="planting">
          <div className="planting-rail">
            <Rail plan={plan} view={view} />
          </div>
          <main className="planting-main">
            <div className="planting-head">
              <h1>{titleOf(view.planting)}</h1>
              <About view={view} plan={plan} />
              <span className="small planting-links">
                <Link to={`estate${search}`}>{t('planting.edit')}</Link>{' '}
                <Link to={`history${search}`}>{t('history.link')}</Link>{' '}
                {!view.isPast && <Link to={plan.planting?.isYoung ? 'training' : 'renewal'}>{t('years.title')}</Link>}
              </span>
              <span className="keys small dim">
                <kbd>k</kbd> <kbd>j</kbd> {t('planting.keys')}
              </span>
            </div>
            {view.isPast && (
              <p className="past-season" data-test="past">
                {t('season.past', { season: view.season })} <Link to=".">{t('season.to-current')}</Link>
              </p>
            )}
            <Notes />
            <Account plan={plan} view={view} draft={unsaved.length > 0} />
            <Outlet />
          </main>
        </div>
        <ConflictDialog />
      </PlantingWorkContext.Provider>
    </HabitContext.Provider>
  );
}

/**
 * The ledger of what is typed. While that cannot be used, the saved one stays in its place, faded, so that nothing
 * jumps.
 */
function Account({ plan, view, draft }: { plan: PruningPlan; view: PlantingView; draft: boolean }) {
  const { t } = useReading();
  if (plan.ledger) return <Ledger ledger={plan.ledger} draft={draft} />;
  if (!draft || !view.plan.ledger)
    return <p className="sheet ledger-missing">{t(draft ? 'ledger.wait-for-entries' : 'ledger.wait-for-target')}</p>;
  return (
    <div className="stale">
      <Ledger ledger={view.plan.ledger} />
      <p className="sheet">{t('ledger.wait-for-entries')}</p>
    </div>
  );
}

function About({ view, plan }: { view: PlantingView; plan: PruningPlan }) {
  const { t, local, amount, number } = useReading();
  const { planting, density } = plan;
  if (!planting || !density) return <span>{view.planting.variety}</span>;
  const area = amount(planting.form.areaHa, 'ha', 1);
  const row = amount(planting.form.rowSpacingM, 'm', 1);
  const tree = amount(planting.form.treeSpacingM, 'm', 1);
  return (
    <span>
      {[
        t('planting.on', { variety: planting.variety.name, rootstock: planting.rootstock.name }),
        local(planting.system.name).toLowerCase(),
        t('leaf', { count: planting.leaf, ordinal: true }),
        `${row.number} × ${tree.number} ${row.unit}`,
        `${area.number} ${area.unit}`,
        t('planting.bearing', { trees: number(density.bearingTrees, 0) }),
      ].join(' · ')}
    </span>
  );
}

/** The stages with the number that matters at each. */
function Rail({ plan, view }: { plan: PruningPlan; view: PlantingView }) {
  const { t, number, told } = useReading();
  const { search } = useLocation();
  const { crop, survey, decision, prescription } = plan;
  const checks = useChecks(view.id, view.season);
  const half = survey?.buds.halfWidth ?? null;
  const keys: Record<Stage, string> = {
    target: crop ? t('rail.target', { fruit: number(crop.fruitPerTree, 0) }) : '',
    count: survey
      ? half === null
        ? number(survey.buds.mean, 0)
        : `${number(survey.buds.mean, 0)} ± ${number(half, 0)}`
      : t('rail.no-count'),
    decide: decision ? t(`decision.${decision.kind}`).toLowerCase() : '',
    prescribe: prescription ? t('rail.left', { buds: number(prescription.budsLeft, 0) }) : '',
  };
  const done: Record<Stage, boolean> = {
    target: crop !== null,
    count: survey !== null,
    decide: decision?.settled ?? false,
    prescribe: false,
  };
  const checked = checks.data?.says?.all;
  const checkKey = t(`rail.check-${checked?.kind ?? 'none'}`, {
    off: checked ? told(Math.abs(checked.off), 'share', 0) : '',
  });
  const rail: RailStage[] = [
    ...stages.map((id) => ({ id, to: id + search, done: done[id], key: keys[id] })),
    { id: 'crew', to: `passes${search}`, done: false, key: t('rail.year') },
    { id: 'check', to: `check${search}`, done: checked?.kind === 'onTarget', key: checkKey },
    {
      id: 'result',
      to: `result${search}`,
      done: false,
      key: t('rail.seasons', { count: view.records.seasons?.length ?? 0 }),
    },
  ];
  return <StageRail stages={rail} />;
}
