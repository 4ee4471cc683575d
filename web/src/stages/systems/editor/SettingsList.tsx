import { Button } from 'antd';
import type { TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { AddByName } from './AddByName';
import type { ListProps } from './ListProps';
import { NumberLine } from './NumberLine';
import { NumbersLine } from './NumbersLine';
import { faultAt } from './packFaults';
import { SourceLine, WordsLines } from './RuleLine';
import { freeId, type Choices } from './ruleText';

/** The numbers of a system, with their unit and what is sensible. */
export function SettingsList({ system, faults, set, units }: ListProps & { units: Choices['units'] }) {
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
                  <NumbersLine
                    label={t('systems.tries')}
                    numbers={s.tries}
                    test={`setting-${s.id}-tries`}
                    problem={faultAt(faults, `${at}.tries`)}
                    onChange={(tries) => {
                      change(i, { tries });
                    }}
                  />
                  <label className="small">
                    <input
                      type="checkbox"
                      checked={s.reserve === true}
                      onChange={(e) => {
                        change(i, { reserve: e.target.checked });
                      }}
                    />{' '}
                    {t('systems.reserve')}
                  </label>
                  <Choice
                    label={t('unit')}
                    value={s.unit}
                    options={codes.map((u) => ({ value: u, label: u === '' ? t('systems.plain') : u }))}
                    onChange={(unit) => {
                      change(i, { unit });
                    }}
                  />
                  <SourceLine
                    source={s.source}
                    onChange={(source) => {
                      change(i, { source });
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
