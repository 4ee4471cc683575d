import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** The prescription as it was expected beside what demonstration trees made of it. */
export function Demonstrated() {
  const { t, number, local } = useReading();
  const effect = usePlantingWork().plan.demonstration;
  if (!effect) return null;
  const steps = effect.steps.filter((s) => s.dropExpected >= 0.5 || s.drop >= 0.5);
  const changed = (before: number, now: number, decimals: number) => {
    const [was, is] = [number(before, decimals), number(now, decimals)];
    return (
      <>
        <td className="number dim">{was}</td>
        <td className="number">{was === is ? is : <strong>{is}</strong>}</td>
      </>
    );
  };
  return (
    <section className="demonstrated" data-test="demonstrated">
      <h2>{t('demonstrated.heading', { count: effect.trees })}</h2>
      <table className="figures">
        <thead>
          <tr>
            <td rowSpan={2} />
            <th colSpan={2} className="number">
              {t('demonstrated.cuts')}
            </th>
            <th colSpan={2} className="number">
              {t('demonstrated.drops')}
            </th>
          </tr>
          <tr>
            {[0, 1].flatMap((i) => [
              <th key={`e${i}`} className="number">
                {t('demonstrated.expected')}
              </th>,
              <th key={`n${i}`} className="number">
                {t('demonstrated.now')}
              </th>,
            ])}
          </tr>
        </thead>
        <tbody>
          {steps.map((s) => (
            <tr key={s.stepId}>
              <td>
                <span className="cut-tag">{s.number}</span> {local(s.name)}
              </td>
              {changed(s.cutsExpected, s.cuts, 1)}
              {changed(s.dropExpected, s.drop, 0)}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small dim">
        {t('demonstrated.minutes', { before: number(effect.minutesExpected, 1), now: number(effect.minutes, 1) })}
      </p>
    </section>
  );
}
