import { Button, Input } from 'antd';
import type { TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import type { ListProps } from './ListProps';
import { NumberLine } from './NumberLine';
import { faultAt } from './packFaults';

type Expected = NonNullable<TrainingSystem['form']['expected']>[number];

const none = null as unknown as number;

/** What is expected of its trees when they are measured, and who says so. */
export function ExpectedFacts({ system, faults, set, facts }: ListProps & { facts: readonly string[] }) {
  const { t } = useReading();
  const expected = system.form.expected ?? [];
  const change = (next: Expected[]) => {
    set({ form: { ...system.form, expected: next.length === 0 ? null : next } });
  };
  return (
    <section>
      <strong>{t('systems.expected')}</strong>
      {expected.map((e, i) => (
        <div key={e.fact} className="answer-change">
          {t(`trees.fact-${e.fact}`, { defaultValue: e.fact })}
          {(['least', 'most'] as const).map((end) => (
            <NumberLine
              key={end}
              label={t(`systems.setting-${end}`)}
              value={e[end]}
              unit=""
              test={`expected-${e.fact}-${end}`}
              onChange={(value) => {
                change(expected.map((x, j) => (j === i ? { ...x, [end]: value as number } : x)));
              }}
            />
          ))}
          <Input
            aria-label={t('systems.source')}
            placeholder={t('systems.source')}
            value={e.source}
            maxLength={200}
            onChange={(typed) => {
              change(expected.map((x, j) => (j === i ? { ...x, source: typed.target.value } : x)));
            }}
          />
          <Button
            size="small"
            onClick={() => {
              change(expected.filter((_, j) => j !== i));
            }}
          >
            {t('systems.take-out')}
          </Button>
          {faultAt(faults, `form.expected[${i}]`) && (
            <p className="field-problem">{faultAt(faults, `form.expected[${i}]`)}</p>
          )}
        </div>
      ))}
      <Choice
        label={t('systems.add-expected')}
        empty={t('systems.add-expected')}
        value=""
        options={facts
          .filter((f) => !expected.some((e) => e.fact === f))
          .map((f) => ({ value: f, label: t(`trees.fact-${f}`, { defaultValue: f }) }))}
        onChange={(fact) => {
          // Its limits are typed: until then they are empty, which is a fault.
          if (fact) change([...expected, { fact, least: none, most: none, source: '' }]);
        }}
      />
    </section>
  );
}
