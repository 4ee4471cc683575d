import { Button, Input } from 'antd';
import type { TrainingSystem } from '../../api/client';
import { Choice } from '../../entry/Field';
import { useReading } from '../../words/useReading';

export type SystemStep = TrainingSystem['steps'][number];

const TOLD = ['lookFor', 'how'] as const;
const LANGUAGES = ['en', 'es'] as const;

interface Props {
  step: SystemStep;
  place: number;
  steps: number;
  own: TrainingSystem['passes'];
  set: (part: Partial<SystemStep>) => void;
  move: (by: -1 | 1) => void;
  takeOut: () => void;
}

/** One step of a system: its place in the order, its rules, and the words the card says it in. */
export function StepEditor({ step, place, steps, own, set, move, takeOut }: Props) {
  const { t, local } = useReading();
  return (
    <li>
      <div className="step-head">
        <span>
          <strong>
            {place + 1} {local(step.name)}
          </strong>{' '}
          <span className="small dim">{t(step.source, { defaultValue: step.source })}</span>
        </span>
        <span className="step-tools">
          <Button
            size="small"
            disabled={place === 0}
            onClick={() => {
              move(-1);
            }}
            aria-label={t('systems.earlier', { step: local(step.name) })}
          >
            ↑
          </Button>
          <Button
            size="small"
            disabled={place === steps - 1}
            onClick={() => {
              move(1);
            }}
            aria-label={t('systems.later', { step: local(step.name) })}
          >
            ↓
          </Button>
          <Button size="small" disabled={steps === 1} onClick={takeOut} data-test={`${step.id}-out`}>
            {t('systems.take-out')}
          </Button>
        </span>
      </div>
      <RuleLine
        label={t('systems.find')}
        value={step.find}
        onChange={(find) => {
          set({ find });
        }}
        name={`${step.id}-find`}
      />
      <RuleLine
        label={t('systems.first')}
        value={step.first}
        onChange={(first) => {
          set({ first });
        }}
        name={`${step.id}-first`}
      />
      <RuleLine
        label={t('systems.most')}
        value={step.most ?? ''}
        onChange={(most) => {
          set({ most: most === '' ? null : most });
        }}
        name={`${step.id}-most`}
      />
      {step.cut.leave != null && (
        <RuleLine
          label={t('systems.leave')}
          value={step.cut.leave}
          onChange={(leave) => {
            set({ cut: { ...step.cut, leave } });
          }}
          name={`${step.id}-leave`}
        />
      )}
      <div className="rule-line">
        <span className="small dim">{t('systems.pass')}</span>
        <Choice
          label={t('systems.pass')}
          value={step.pass ?? 'detail'}
          options={[
            ...['major', 'detail', 'after-harvest'].map((pass) => ({ value: pass, label: t(`pass.${pass}`) })),
            ...(own ?? []).map((pass) => ({ value: pass.id, label: local(pass.name) })),
          ]}
          onChange={(pass) => {
            set({ pass });
          }}
        />
      </div>
      <details className="small step-words">
        <summary>{t('systems.on-card')}</summary>
        {TOLD.flatMap((part) =>
          LANGUAGES.map((language) => (
            <label key={`${part}-${language}`} className="rule-line">
              <span className="dim">
                {t(`systems.${part}`)} ({language})
              </span>
              <Input.TextArea
                autoSize
                value={step[part][language]}
                maxLength={400}
                lang={language}
                data-test={`${step.id}-${part}-${language}`}
                onChange={(e) => {
                  set({ [part]: { ...step[part], [language]: e.target.value } });
                }}
              />
            </label>
          )),
        )}
      </details>
    </li>
  );
}

/** A rule in the selector language. */
export function RuleLine({
  label,
  value,
  onChange,
  name,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  name: string;
}) {
  return (
    <label className="rule-line">
      <span className="small dim">{label}</span>
      <Input
        className="rule"
        value={value}
        spellCheck={false}
        autoComplete="off"
        maxLength={400}
        data-test={name}
        onChange={(e) => {
          onChange(e.target.value);
        }}
      />
    </label>
  );
}
