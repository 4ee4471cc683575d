import { Link } from 'react-router';
import type { Amount, RuledTargetView, TargetEntry } from '../../api/client';
import { problemText } from '../../entry/problemText';
import { titleOf } from '../../planting/titleOf';
import { useReading } from '../../words/useReading';

/** Whether a rule can be set in a planting and would change something there. */
export const canTake = (p: RuledTargetView) => p.changes && p.problems.length === 0;

/** What a rule would do to each planting, to be chosen line by line. */
export function RuleTable({
  plantings,
  chosen,
  onChosen,
}: {
  plantings: RuledTargetView[];
  chosen: Set<string>;
  onChosen: (chosen: Set<string>) => void;
}) {
  const reading = useReading();
  const { t, number, say, unitName } = reading;
  const text = (amount: Amount | null | undefined) =>
    amount?.value == null ? null : `${number(amount.value)} ${unitName(amount.unit ?? '')}`;
  const targetText = (target: TargetEntry) =>
    [text(target.yield), text(target.fruitSize)].filter(Boolean).join(' · ') || '–';
  const able = plantings.filter(canTake);
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    onChosen(next);
  };
  return (
    <table className="figures compact rule-table" data-test="rule-table">
      <thead>
        <tr>
          <th rowSpan={2}>
            <input
              type="checkbox"
              aria-label={t('rules.all')}
              data-test="rule-all"
              checked={able.length > 0 && able.every((p) => chosen.has(p.id))}
              disabled={able.length === 0}
              onChange={(e) => {
                onChosen(new Set(e.target.checked ? able.map((p) => p.id) : []));
              }}
            />
          </th>
          <th rowSpan={2}>{t('rules.planting')}</th>
          <th rowSpan={2}>{t('rules.target')}</th>
          <th colSpan={2} className="number">
            {t('rules.fruit')}
          </th>
          <th colSpan={2} className="number">
            {t('rules.buds')}
          </th>
          <th rowSpan={2} className="number">
            {t('rules.density')}
          </th>
          <th rowSpan={2}>{t('rules.warnings')}</th>
        </tr>
        <tr>
          {['fruit', 'buds'].flatMap((of) =>
            ['before', 'after'].map((when) => (
              <th key={of + when} className="number">
                {t(`rules.${when}`)}
              </th>
            )),
          )}
        </tr>
      </thead>
      <tbody>
        {plantings.map((p) => (
          <tr key={p.id} className={chosen.has(p.id) ? undefined : 'superseded'}>
            <td>
              <input
                type="checkbox"
                aria-label={titleOf(p)}
                data-test={`rule-${p.code}`}
                checked={chosen.has(p.id)}
                disabled={!canTake(p)}
                onChange={() => {
                  toggle(p.id);
                }}
              />
            </td>
            <th scope="row">
              <Link to={`/plantings/${p.id}/target`}>{titleOf(p)}</Link>
              {p.leaf != null && <span className="small dim"> · {t('leaf', { count: p.leaf, ordinal: true })}</span>}
            </th>
            <td>{targetText(p.target)}</td>
            {[p.fruitBefore, p.fruitAfter, p.budsBefore, p.budsAfter].map((value, i) => (
              <td key={i} className={i % 2 ? 'number after' : 'number'}>
                {value == null ? '–' : number(value, 0)}
              </td>
            ))}
            <td className="number">{p.cropDensityAfter == null ? '–' : number(p.cropDensityAfter, 1)}</td>
            <td>
              {p.problems.map((wrong) => (
                <p key={wrong.field} className="field-problem">
                  {t(`field.${wrong.field}`)}: {problemText(wrong, reading)}
                </p>
              ))}
              {p.changes
                ? p.warnings.map((w) => (
                    <p key={w.code} className="small">
                      {say(w)}
                    </p>
                  ))
                : t('rules.same')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
