import { useState } from 'react';
import { Link } from 'react-router';
import type { Figure, TrainingView } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { LeafStrip } from './LeafStrip';
import { LeafTasks } from './LeafTasks';
import { Measures } from './Measures';
import { useTraining } from './useTraining';
import { YearsTabs } from './YearsTabs';
import './training.css';

/** The planting from its first leaf to full bearing: what is done in each, what a tree has reached and may carry. */
export function TrainingStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const training = useTraining(view.id);
  if (training.error) return <Trouble error={training.error} retry={() => void training.refetch()} />;
  if (!training.data) return <p className="waiting">{t('loading')}</p>;
  if (!training.data.plan)
    return (
      <section className="training">
        <YearsTabs at="training" />
        <p className="dim">{t('training.none')}</p>
      </section>
    );
  return <Training training={training.data} plan={training.data.plan} />;
}

function Training({ training, plan }: { training: TrainingView; plan: NonNullable<TrainingView['plan']> }) {
  const { t, number, amount } = useReading();
  const { view } = usePlantingWork();
  const { state, topWire, leaves, hoursAhead, steps } = plan;
  const [shown, setShown] = useState(state.leaf);
  // Another system, saved meanwhile, may have fewer leaves.
  const leaf = leaves[Math.min(shown, leaves.length) - 1]!;
  const amountOf = ({ value, unit }: Figure) =>
    unit === 'share' ? amount(value * 100, '%', 0) : amount(value, unit, unit === 'm' ? 1 : 0);
  return (
    <section className="training">
      <YearsTabs at="training" />
      <div className="stage-head">
        <h2>{t('training.title')}</h2>
        <p className="training-sum">
          {state.isOn ? (
            <>
              {t('training.leaf-of', { leaf: training.leaf, leaves: leaves.length })} ·{' '}
              <Why steps={steps}>
                <strong>{number(hoursAhead, 0)}</strong> {t('training.hours-ahead')}
              </Why>
            </>
          ) : (
            t('training.over', { leaf: training.leaf })
          )}
        </p>
        <Link to={`/catalogue/systems/compare?planting=${view.id}`} className="small">
          {t('choice.what-if')}
        </Link>
        <Link to="print" className="small">
          {t('training.print')}
        </Link>
      </div>
      <Notices notices={plan.warnings} />
      <LeafStrip training={training} plan={plan} shown={leaf.leaf} onShow={setShown} />
      <ul className="training-ready small">
        {topWire && (
          <li data-test="top-wire">
            <Why steps={topWire.steps}>
              {t(topWire.onWires ? 'training.top-wire' : 'training.top-height', {
                leaf: topWire.inLeaf,
                from: topWire.from,
                to: topWire.to,
              })}
            </Why>
          </li>
        )}
        {state.checks.map(({ mark, isMet, stands, wanted }) => {
          const wants = amountOf(wanted);
          return (
            <li key={mark} className={isMet ? 'training-met' : undefined}>
              {isMet ? '●' : '○'} {t(`training.ready.${mark}`)}{' '}
              <span className="dim">
                {t('training.stands', {
                  stands: stands ? amountOf(stands).number : t('training.not-measured'),
                  wanted: `${wants.number} ${wants.unit}`,
                })}
              </span>
            </li>
          );
        })}
      </ul>
      <LeafTasks training={training} leaf={leaf} isNow={state.isOn && leaf.leaf === state.leaf} planting={view.id} />
      <Measures training={training} key={training.measured.map((m) => m.version).join()} />
    </section>
  );
}
