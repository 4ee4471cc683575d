import type { PruningDecision } from '../../api/client';
import { stepsOf, Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** The decision of each trunk class, with its surplus; those that differ from the planting's are named. */
export function ByClass() {
  const { t, number } = useReading();
  const { plan } = usePlantingWork();
  const classes = plan.prescription?.classes ?? [];
  if (classes.length < 2 || !plan.decision) return null;
  const other = classes.filter((c) => c.decision.kind !== plan.decision!.kind);
  const half = ({ surplus, surplusHigh }: PruningDecision) =>
    surplusHigh !== null && ` ± ${number(surplusHigh - surplus, 0)}`;
  return (
    <section className="decide-classes">
      <h2>
        {t('decide.by-class')} <span className="unit">{t('unit:bud/tree')}</span>
      </h2>
      <table className="figures" data-test="by-class">
        <thead>
          <tr>
            <th>{t('decide.class')}</th>
            <th className="number">{t('decide.share')}</th>
            <th className="number">{t('decide.stand')}</th>
            <th className="number">{t('decide.wanted')}</th>
            <th className="number">{t('decide.surplus')}</th>
            <th>{t('decide.decision')}</th>
          </tr>
        </thead>
        <tbody>
          {classes.map((c) => (
            <tr key={c.class.name}>
              <td>{t(`class.${c.class.name}`, { defaultValue: c.class.name })}</td>
              <td className="number">{number(c.class.share * 100, 0)} %</td>
              <td className="number">{number(c.decision.standing.mean, 0)}</td>
              <td className="number">{number(c.decision.budsToLeave, 0)}</td>
              <td className="number">
                <Why steps={stepsOf(c.decision.steps, 'decision.surplus')}>
                  {c.decision.surplus > 0 && '+'}
                  {number(c.decision.surplus, 0)}
                  {half(c.decision)}
                </Why>
              </td>
              <td>
                <Why steps={stepsOf(c.decision.steps, 'decision.tolerance', 'decision.remove', 'decision.thinning')}>
                  {t(`decision.${c.decision.kind}`)}
                  {c.decision.weight && `, ${t(`weight.${c.decision.weight}`)}`}
                </Why>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {other.length > 0 && (
        <p className="small">
          {t('decide.differ', {
            classes: other.map((c) => t(`class.${c.class.name}`, { defaultValue: c.class.name })).join(', '),
          })}
        </p>
      )}
    </section>
  );
}
