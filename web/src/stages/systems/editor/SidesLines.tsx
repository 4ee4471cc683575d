import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import type { ListProps } from './ListProps';
import { faultAt } from './packFaults';

/** A system whose sides are renewed in turn says by which question, and under which answers a side is. */
export function SidesLines({ system, faults, set }: ListProps) {
  const { t, local } = useReading();
  const sides = system.sides ?? null;
  const question = system.questions.find((q) => q.id === sides?.question);
  return (
    <section>
      <strong>{t('systems.sides')}</strong>{' '}
      <Choice
        label={t('systems.sides')}
        empty={t('systems.sides-none')}
        value={sides?.question ?? ''}
        options={system.questions.map((q) => ({ value: q.id, label: local(q.name) }))}
        onChange={(id) => {
          set({ sides: id === '' ? null : { question: id, renewing: [] } });
        }}
      />
      {sides &&
        question?.options.map((o) => (
          <label key={o.id} className="answer-step">
            <input
              type="checkbox"
              checked={sides.renewing.includes(o.id)}
              onChange={(e) => {
                const others = sides.renewing.filter((x) => x !== o.id);
                set({ sides: { ...sides, renewing: e.target.checked ? [...others, o.id] : others } });
              }}
            />{' '}
            {local(o.name)}
          </label>
        ))}
      {faultAt(faults, 'sides') && <p className="field-problem">{faultAt(faults, 'sides')}</p>}
    </section>
  );
}
