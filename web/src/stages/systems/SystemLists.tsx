import { Button, Input } from 'antd';
import { useState } from 'react';
import type { TrainingSystem } from '../../api/client';
import { Choice } from '../../entry/Field';
import { useReading } from '../../words/useReading';
import { NumberLine } from './NumberLine';
import { faultAt, type PackFaults } from './packFaults';
import { RuleLine, WordsLines } from './RuleLine';
import { freeId, type Choices } from './ruleText';

interface Props {
  system: TrainingSystem;
  faults: PackFaults;
  set: (part: Partial<TrainingSystem>) => void;
}

/** A line to add something by its name. */
function AddByName({ label, test, onAdd }: { label: string; test: string; onAdd: (name: string) => void }) {
  const { t } = useReading();
  const [name, setName] = useState('');
  const add = () => {
    if (name.trim() === '') return;
    onAdd(name.trim());
    setName('');
  };
  return (
    <div className="add-by-name">
      <Input
        value={name}
        maxLength={60}
        placeholder={label}
        aria-label={label}
        data-test={test}
        onChange={(e) => {
          setName(e.target.value);
        }}
        onPressEnter={add}
      />
      <Button size="small" disabled={name.trim() === ''} onClick={add} data-test={`${test}-add`}>
        {t('systems.add')}
      </Button>
    </div>
  );
}

/** The numbers of a system, with their unit and what is sensible. */
export function SettingsList({ system, faults, set, units }: Props & { units: Choices['units'] }) {
  const { t, local } = useReading();
  const codes = Object.values(units).flatMap((u) => u ?? []);
  const change = (at: number, part: Partial<TrainingSystem['settings'][number]>) => {
    set({ settings: system.settings.map((s, i) => (i === at ? { ...s, ...part } : s)) });
  };
  return (
    <section>
      <strong>{t('systems.settings')}</strong>
      <ul className="system-list">
        {system.settings.map((s, i) => {
          const at = `settings[${i}]`;
          return (
            <li key={s.id} data-test={`setting-${s.id}`}>
              <NumberLine
                label={local(s.name)}
                value={s.value}
                unit={s.unit}
                problem={faultAt(faults, `${at}.value`)}
                test={`setting-${s.id}-value`}
                onChange={(value) => {
                  change(i, { value: value as number });
                }}
              />
              <details className="small">
                <summary>
                  <code>{s.id}</code>
                </summary>
                <WordsLines
                  label={t('systems.name')}
                  value={s.name}
                  most={60}
                  onChange={(name) => {
                    change(i, { name });
                  }}
                  name={`setting-${s.id}-name`}
                />
                <div className="step-choices">
                  {(['least', 'most'] as const).map((end) => (
                    <NumberLine
                      key={end}
                      label={t(`systems.setting-${end}`)}
                      value={s[end]}
                      unit={s.unit}
                      problem={faultAt(faults, `${at}.${end}`)}
                      onChange={(value) => {
                        change(i, { [end]: value as number });
                      }}
                    />
                  ))}
                  <TriesLine
                    tries={s.tries}
                    problem={faultAt(faults, `${at}.tries`)}
                    onChange={(tries) => {
                      change(i, { tries });
                    }}
                  />
                  <Choice
                    label={t('unit')}
                    value={s.unit}
                    options={codes.map((u) => ({ value: u, label: u === '' ? t('systems.plain') : u }))}
                    onChange={(unit) => {
                      change(i, { unit });
                    }}
                  />
                  <Button
                    size="small"
                    onClick={() => {
                      set({ settings: system.settings.filter((_, j) => j !== i) });
                    }}
                  >
                    {t('systems.take-out')}
                  </Button>
                </div>
              </details>
            </li>
          );
        })}
      </ul>
      <AddByName
        label={t('systems.new-setting')}
        test="new-setting"
        onAdd={(name) => {
          const id = freeId(name, [...system.settings.map((s) => s.id), ...Object.keys(system.terms)]);
          set({
            settings: [
              ...system.settings,
              {
                id,
                value: 1,
                unit: '',
                least: 0,
                most: 100,
                tries: [],
                name: { en: name, es: name },
                source: 'assumption, to be replaced by your own records',
                reserve: false,
              },
            ],
          });
        }}
      />
    </section>
  );
}

/** Values the search may try, parted by spaces; none where it is not searched. */
function TriesLine({
  tries,
  problem,
  onChange,
}: {
  tries: readonly number[];
  problem: string | undefined;
  onChange: (tries: number[]) => void;
}) {
  const { t } = useReading();
  const [text, setText] = useState(tries.join(' '));
  return (
    <label className="small">
      {t('systems.tries')}
      <Input
        value={text}
        maxLength={200}
        status={problem ? 'error' : ''}
        onChange={(e) => {
          setText(e.target.value);
          const parts = e.target.value.replace(/,/g, '.').split(/\s+/).filter(Boolean);
          // What is no number goes on as nothing, and is told as a fault.
          onChange(parts.map((p) => (/^-?\d+(\.\d+)?$/.test(p) ? Number(p) : null)) as number[]);
        }}
      />
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  );
}

/** Rules that have a name and are used in others. */
export function TermsList({ system, faults, set }: Props) {
  const { t } = useReading();
  return (
    <section className="system-terms">
      <strong>{t('systems.terms')}</strong>
      {Object.entries(system.terms).map(([name, rule]) => (
        <div key={name} className="term-line">
          <RuleLine
            label={name}
            value={rule}
            onChange={(text) => {
              set({ terms: { ...system.terms, [name]: text } });
            }}
            name={`term-${name}`}
            problem={faultAt(faults, `terms.${name}`)}
          />
          <Button
            size="small"
            onClick={() => {
              set({ terms: Object.fromEntries(Object.entries(system.terms).filter(([x]) => x !== name)) });
            }}
          >
            {t('systems.take-out')}
          </Button>
        </div>
      ))}
      <AddByName
        label={t('systems.new-term')}
        test="new-term"
        onAdd={(name) => {
          const id = freeId(name, [...system.settings.map((s) => s.id), ...Object.keys(system.terms)]);
          set({ terms: { ...system.terms, [id]: 'diameter > 20 mm' } });
        }}
      />
    </section>
  );
}

/** Points on which orchardists disagree, with the answers to choose from. */
export function QuestionsList({ system, faults, set }: Props) {
  const { t, local } = useReading();
  type Question = TrainingSystem['questions'][number];
  type Answer = Question['options'][number];
  const change = (at: number, part: Partial<Question>) => {
    set({ questions: system.questions.map((q, i) => (i === at ? { ...q, ...part } : q)) });
  };
  const answer = (name: string, taken: readonly string[]): Answer => ({
    id: freeId(name, taken),
    name: { en: name, es: name },
    why: { en: '', es: '' },
    sets: null,
    orders: null,
    leavesOut: null,
    sequence: null,
    aim: null,
    suits: null,
    moves: null,
    twoPasses: false,
  });
  return (
    <section>
      <strong>{t('systems.questions')}</strong>
      <ul className="system-list">
        {system.questions.map((q, i) => (
          <li key={q.id} data-test={`question-${q.id}`}>
            <details>
              <summary>
                {local(q.name)} <span className="dim small">{q.options.map((o) => local(o.name)).join(' · ')}</span>
              </summary>
              <WordsLines
                label={t('systems.name')}
                value={q.name}
                most={60}
                onChange={(name) => {
                  change(i, { name });
                }}
                name={`question-${q.id}-name`}
              />
              <span className="small dim">{t('systems.usual')}</span>{' '}
              <Choice
                label={t('systems.usual')}
                empty={t('systems.first-answer')}
                value={q.usual ?? ''}
                options={q.options.map((o) => ({ value: o.id, label: local(o.name) }))}
                onChange={(usual) => {
                  change(i, { usual: usual === '' ? null : usual });
                }}
              />
              {q.options.map((o, j) => {
                const setAnswer = (part: Partial<Answer>) => {
                  change(i, { options: q.options.map((x, k) => (k === j ? { ...x, ...part } : x)) });
                };
                const fault = faultAt(faults, `questions[${i}].options[${j}]`);
                return (
                  <div key={o.id} className="answer-lines">
                    <WordsLines
                      label={t('systems.answer')}
                      value={o.name}
                      most={60}
                      onChange={(name) => {
                        setAnswer({ name });
                      }}
                      name={`answer-${o.id}-name`}
                    />
                    <span className="small dim">{t('systems.leaves-out')}</span>{' '}
                    {system.steps.map((s) => (
                      <label key={s.id} className="small answer-step">
                        <input
                          type="checkbox"
                          checked={o.leavesOut?.includes(s.id) === true}
                          onChange={(e) => {
                            const others = (o.leavesOut ?? []).filter((x) => x !== s.id);
                            const leavesOut = e.target.checked ? [...others, s.id] : others;
                            setAnswer({ leavesOut: leavesOut.length === 0 ? null : leavesOut });
                          }}
                        />{' '}
                        {local(s.name)}
                      </label>
                    ))}
                    {Object.entries(o.sets ?? {}).map(([id, value]) => (
                      <NumberLine
                        key={id}
                        label={local(system.settings.find((s) => s.id === id)?.name) || id}
                        value={value}
                        unit={system.settings.find((s) => s.id === id)?.unit ?? ''}
                        onChange={(next) => {
                          setAnswer({ sets: { ...o.sets, [id]: next as number } });
                        }}
                      />
                    ))}
                    {fault && <p className="field-problem">{fault}</p>}
                    <span className="step-choices">
                      <Choice
                        label={t('systems.sets')}
                        empty={t('systems.sets')}
                        value=""
                        options={system.settings
                          .filter((s) => !(s.id in (o.sets ?? {})))
                          .map((s) => ({ value: s.id, label: local(s.name) }))}
                        onChange={(id) => {
                          const setting = system.settings.find((s) => s.id === id);
                          if (setting) setAnswer({ sets: { ...o.sets, [id]: setting.value } });
                        }}
                      />
                      <Button
                        size="small"
                        disabled={q.options.length <= 2}
                        onClick={() => {
                          change(i, { options: q.options.filter((_, k) => k !== j) });
                        }}
                      >
                        {t('systems.take-out')}
                      </Button>
                    </span>
                  </div>
                );
              })}
              <AddByName
                label={t('systems.new-answer')}
                test={`question-${q.id}-answer`}
                onAdd={(name) => {
                  change(i, {
                    options: [
                      ...q.options,
                      answer(
                        name,
                        q.options.map((o) => o.id),
                      ),
                    ],
                  });
                }}
              />
              <Button
                size="small"
                onClick={() => {
                  set({ questions: system.questions.filter((_, k) => k !== i) });
                }}
              >
                {t('systems.take-out-question')}
              </Button>
            </details>
          </li>
        ))}
      </ul>
      <AddByName
        label={t('systems.new-question')}
        test="new-question"
        onAdd={(name) => {
          const [yes, no] = [answer('Yes', []), answer('No', [])];
          set({
            questions: [
              ...system.questions,
              {
                id: freeId(
                  name,
                  system.questions.map((q) => q.id),
                ),
                name: { en: name, es: name },
                options: [
                  { ...yes, name: { en: 'Yes', es: 'Sí' } },
                  { ...no, name: { en: 'No', es: 'No' } },
                ],
                usual: null,
              },
            ],
          });
        }}
      />
    </section>
  );
}
