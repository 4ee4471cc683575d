import { Button, Checkbox, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { CrewPlanView } from '../../api/client';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { CrewLanes } from './CrewLanes';
import { CrewPlanFrame } from './CrewPlanFrame';
import { LateList } from './LateList';
import { TaskPanel } from './TaskPanel';
import { useImprove, useMoney } from './useCrewPlan';

const SECONDS = 10;

/** Who is where, day by day; what is late and why; what is kept. */
export function CrewPlanPage() {
  const { t } = useReading();
  return <CrewPlanFrame title={t('crew-plan.title')} page={(plan) => <Plan plan={plan} />} />;
}

function Plan({ plan }: { plan: CrewPlanView }) {
  const { t } = useReading();
  const [chosen, setChosen] = useState<string | null>(null);
  const [by, setBy] = useState<'crew' | 'planting'>('crew');
  const [onlyLate, setOnlyLate] = useState(false);
  if (plan.crews.length === 0 || plan.tasks.length === 0)
    return (
      <>
        <h1>{t('crew-plan.title')}</h1>
        <p>
          {t(plan.crews.length === 0 ? 'crew-plan.no-crews' : 'crew-plan.no-work')}{' '}
          {plan.crews.length === 0 && <Link to="/crew/people">{t('crew-plan.people')}</Link>}
        </p>
      </>
    );
  const task = plan.tasks.find((w) => w.id === chosen) ?? null;
  return (
    <>
      <Head plan={plan} />
      <div className="crew-plan-view">
        <Segmented
          value={by}
          onChange={setBy}
          options={[
            { value: 'crew', label: t('crew-plan.by-crew') },
            { value: 'planting', label: t('crew-plan.by-planting') },
          ]}
        />
        <Checkbox
          checked={onlyLate}
          onChange={(e) => {
            setOnlyLate(e.target.checked);
          }}
        >
          {t('crew-plan.only-late')}
        </Checkbox>
        <ul className="crew-plan-legend small">
          <li>
            <i className="lane-in-time" /> {t('crew-plan.legend-in-time')}
          </li>
          <li>
            <i className="lane-late" /> {t('crew-plan.legend-late')}
          </li>
          <li>
            <i className="lane-kept" /> {t('crew-plan.legend-kept')}
          </li>
          <li>
            <i className="lane-off" /> {t('crew-plan.legend-off')}
          </li>
        </ul>
      </div>
      <CrewLanes plan={plan} by={by} onlyLate={onlyLate} chosen={chosen} onChoose={setChosen} />
      <div className="crew-plan-below">
        <LateList plan={plan} chosen={chosen} onChoose={setChosen} />
        <TaskPanel key={`${task?.id} ${task?.version}`} plan={plan} task={task} />
      </div>
    </>
  );
}

/** The number that matters first: how much is late. */
function Head({ plan }: { plan: CrewPlanView }) {
  const { t, number } = useReading();
  const day = useDays();
  const money = useMoney(plan);
  const may = useMay();
  const improve = useImprove();
  const late = plan.tasks.filter((w) => (w.placed?.daysLate ?? 0) > 0).length;
  const last = plan.tasks.reduce<string | null>(
    (latest, w) => (w.placed && (!latest || w.placed.last > latest) ? w.placed.last : latest),
    null,
  );
  const step = improve.step;
  return (
    <header className="crew-plan-head">
      <h1 className={late ? 'crew-plan-late' : undefined} data-test="crew-plan-sum">
        {late > 0 ? t('crew-plan.late', { count: late }) : t('crew-plan.all-in-time')}
      </h1>
      <p className="dim">
        {late > 0 && (
          <>
            <Why steps={plan.cost.steps ?? []}>{money(plan.cost.late)}</Why> {t('crew-plan.lost')} ·{' '}
          </>
        )}
        {last && t('crew-plan.until', { day: day(last) })} ·{' '}
        {plan.madeOn ? t('crew-plan.made', { day: day(plan.madeOn) }) : t('crew-plan.first')}
        {plan.isStale && <> {t('crew-plan.stale')}</>}
      </p>
      {may('plan') && (
        <p className="crew-plan-improve">
          {improve.isRunning ? (
            <>
              <progress value={step?.share ?? 0} max={1} aria-label={t('crew-plan.improve')} />{' '}
              {step?.ahead
                ? t('crew-plan.waiting', { count: step.ahead })
                : step?.late != null && t('crew-plan.improving', { late: step.late, cost: money(step.cost ?? 0) })}{' '}
              <Button onClick={() => void improve.stop(plan.version)}>{t('crew-plan.stop')}</Button>
            </>
          ) : (
            <>
              <Button type="primary" onClick={() => void improve.start(SECONDS, plan.version)}>
                {t('crew-plan.improve')}
              </Button>{' '}
              {step?.isSaved && (
                <span className="dim" role="status">
                  {step.gap === 0
                    ? t('crew-plan.best')
                    : step.gap != null
                      ? t('crew-plan.gap', { gap: `${number(step.gap * 100, 0)} %` })
                      : t('crew-plan.not-proven')}
                </span>
              )}
            </>
          )}
          {(improve.failure ?? improve.problemLike(/./)) && (
            <span className="field-problem" role="alert">
              {improve.failure ?? improve.problemLike(/./)}
            </span>
          )}
        </p>
      )}
    </header>
  );
}
