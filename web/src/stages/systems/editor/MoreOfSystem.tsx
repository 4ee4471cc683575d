import { Button, Input } from 'antd';
import type { SystemPack, TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Field';
import { useReading } from '../../../words/useReading';
import type { ListProps } from './ListProps';
import { NumberLine } from './NumberLine';
import { faultAt } from './packFaults';
import { WordsLines } from './RuleLine';

type Renewal = NonNullable<TrainingSystem['renewal']>;
type Expected = NonNullable<TrainingSystem['form']['expected']>[number];

const OWN = 'assumption, to be replaced by your own records';

const RENEWAL: Renewal = { of: 'limb', leastYears: 3, mostYears: 8, bearingYears: 4, cohorts: null, source: OWN };

/** What else there is to say of a system: its note, what not to cut, how wood is renewed and sides take turns. */
export function MoreOfSystem({ system, faults, set, choices }: ListProps & { choices: SystemPack['choices'] }) {
  const { t } = useReading();
  return (
    <details className="small" data-test="more-of-system">
      <summary>{t('systems.more')}</summary>
      <WordsLines
        label={t('systems.note')}
        value={system.note ?? { en: '', es: '' }}
        onChange={(note) => {
          set({ note: note.en === '' && note.es === '' ? null : note });
        }}
        name="note"
      />
      <NumberLine
        label={t('systems.base-seconds')}
        value={system.labour.baseSeconds}
        unit="s"
        problem={faultAt(faults, 'labour.baseSeconds')}
        test="base-seconds"
        onChange={(baseSeconds) => {
          set({ labour: { ...system.labour, baseSeconds: baseSeconds as number } });
        }}
      />
      <KeepOff system={system} faults={faults} set={set} />
      <RenewalLines system={system} faults={faults} set={set} />
      <Sides system={system} faults={faults} set={set} />
      <ExpectedFacts system={system} faults={faults} set={set} facts={choices.facts} />
    </details>
  );
}

function KeepOff({ system, faults, set }: ListProps) {
  const { t } = useReading();
  return (
    <section>
      <strong>{t('systems.keep-off')}</strong>
      {system.keepOff.map((text, i) => (
        <div key={i} className="answer-change">
          <WordsLines
            label={t('systems.keep-off-what')}
            value={text}
            onChange={(next) => {
              set({ keepOff: system.keepOff.map((x, j) => (j === i ? next : x)) });
            }}
            name={`keep-off-${i}`}
            problem={faultAt(faults, `keepOff[${i}]`)}
          />
          <Button
            size="small"
            onClick={() => {
              set({ keepOff: system.keepOff.filter((_, j) => j !== i) });
            }}
          >
            {t('systems.take-out')}
          </Button>
        </div>
      ))}
      <Button
        size="small"
        onClick={() => {
          set({ keepOff: [...system.keepOff, { en: '', es: '' }] });
        }}
        data-test="add-keep-off"
      >
        {t('systems.add')}
      </Button>
    </section>
  );
}

function RenewalLines({ system, faults, set }: ListProps) {
  const { t } = useReading();
  const renewal = system.renewal ?? null;
  const change = (part: Partial<Renewal>) => {
    set({ renewal: { ...(renewal ?? RENEWAL), ...part } });
  };
  return (
    <section>
      <strong>{t('systems.renewal')}</strong>{' '}
      <Choice
        label={t('systems.renewal')}
        empty={t('systems.renewal-none')}
        value={renewal?.of ?? ''}
        options={(['limb', 'scaffold'] as const).map((of) => ({ value: of, label: t(`systems.renewal-${of}`) }))}
        onChange={(of) => {
          if (of === '') set({ renewal: null });
          else change({ of: of as Renewal['of'] });
        }}
      />
      {renewal && (
        <div className="system-settings">
          {(['leastYears', 'mostYears', 'bearingYears'] as const).map((part) => (
            <NumberLine
              key={part}
              label={t(`systems.renewal-${part}`)}
              value={renewal[part]}
              unit={t('systems.years')}
              test={`renewal-${part}`}
              onChange={(value) => {
                change({ [part]: value as number });
              }}
            />
          ))}
          <label>
            <input
              type="checkbox"
              checked={renewal.cohorts !== null}
              onChange={(e) => {
                change({ cohorts: e.target.checked ? { builtTo: 1, croppingTo: 2 } : null });
              }}
              data-test="renewal-cohorts"
            />{' '}
            {t('systems.cohorts')}
          </label>
          {renewal.cohorts &&
            (['builtTo', 'croppingTo'] as const).map((part) => (
              <NumberLine
                key={part}
                label={t(`systems.cohorts-${part}`)}
                value={renewal.cohorts![part]}
                unit={t('systems.years')}
                test={`cohorts-${part}`}
                onChange={(value) => {
                  change({ cohorts: { ...renewal.cohorts!, [part]: value as number } });
                }}
              />
            ))}
        </div>
      )}
      {faultAt(faults, 'renewal') && <p className="field-problem">{faultAt(faults, 'renewal')}</p>}
    </section>
  );
}

/** A system whose sides are renewed in turn says by which question, and under which answers a side is. */
function Sides({ system, faults, set }: ListProps) {
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

/** What is expected of its trees when they are measured, and who says so. */
function ExpectedFacts({ system, faults, set, facts }: ListProps & { facts: readonly string[] }) {
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
          if (fact) change([...expected, { fact, least: 0, most: 1, source: OWN }]);
        }}
      />
    </section>
  );
}
