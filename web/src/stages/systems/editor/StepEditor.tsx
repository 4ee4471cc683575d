import { Button, Checkbox } from 'antd';
import type { TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { NumberLine } from './NumberLine';
import { faultAt, type PackFaults } from './packFaults';
import { RuleLine, SourceLine, WordsLines } from './RuleLine';
import { ConditionPicker, OrderPicker } from './RulePicker';
import { subjectOf, withCondition, withKey, withSubject, wordsOf, type Choices, type Words } from './ruleText';

export type SystemStep = TrainingSystem['steps'][number];

const PERS = ['tree', 'leader', 'limb'] as const;
const STOPS = ['never', 'band', 'number'] as const;
const TOO_MUCH = ['skip', 'shorten', 'shortenAndEnd'] as const;
const DECISIONS = ['noPrune', 'structureOnly', 'reduce'] as const;
interface Props {
  step: SystemStep;
  place: number;
  system: TrainingSystem;
  words: Words;
  choices: Choices;
  faults: PackFaults;
  set: (part: Partial<SystemStep>) => void;
  move: (by: -1 | 1) => void;
  copy: () => void;
  takeOut: () => void;
}

/** One step of a system: its place in the order, its rules, and the words the card says it in. */
export function StepEditor({ step, place, system, words, choices, faults, set, move, copy, takeOut }: Props) {
  const { t, local } = useReading();
  const at = `steps[${place}]`;
  const fault = (field: string) => faultAt(faults, `${at}.${field}`);
  const subject = subjectOf(step.find);
  const known = wordsOf(words, subject);
  const terms = Object.keys(system.terms);
  const cutAs = (kind: string) => {
    const cut = choices.cuts.find((c) => c.kind === kind)!;
    set({
      cut: { kind: cut.kind, leave: cut.leaves === null ? null : (step.cut.leave ?? cut.leaves) },
      ...(cut.onlyFor !== null && subject !== cut.onlyFor && { find: cut.onlyFor, first: cut.first ?? step.first }),
    });
  };
  return (
    <li data-test={`step-${step.id}`}>
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
            disabled={place === system.steps.length - 1}
            onClick={() => {
              move(1);
            }}
            aria-label={t('systems.later', { step: local(step.name) })}
          >
            ↓
          </Button>
          <Button size="small" onClick={copy} data-test={`${step.id}-copy`}>
            {t('systems.copy-step')}
          </Button>
          <Button size="small" disabled={system.steps.length === 1} onClick={takeOut} data-test={`${step.id}-out`}>
            {t('systems.take-out')}
          </Button>
        </span>
      </div>
      <div className="step-choices">
        <Labelled label={t('systems.subject')}>
          <Choice
            label={t('systems.subject')}
            value={subject}
            options={choices.subjects.map((s) => ({ value: s, label: t(`systems.subject-${s}`) }))}
            onChange={(s) => {
              set({ find: withSubject(step.find, s) });
            }}
          />
        </Labelled>
        <Labelled label={t('systems.kind')}>
          <Choice
            label={t('systems.kind')}
            value={step.cut.kind}
            options={choices.cuts.map(({ kind }) => ({ value: kind, label: t(`systems.kind-${kind}`) }))}
            onChange={cutAs}
          />
        </Labelled>
        <Labelled label={t('systems.per')}>
          <Choice
            label={t('systems.per')}
            value={step.per}
            options={PERS.map((p) => ({ value: p, label: t(`systems.per-${p}`) }))}
            onChange={(per) => {
              set({ per: per as SystemStep['per'] });
            }}
          />
        </Labelled>
        <Labelled label={t('systems.stop')}>
          <Choice
            label={t('systems.stop')}
            value={step.stop}
            options={STOPS.map((s) => ({ value: s, label: t(`systems.stop-${s}`) }))}
            onChange={(stop) => {
              set({ stop: stop as SystemStep['stop'] });
            }}
          />
        </Labelled>
      </div>
      {fault('cut.kind') && <p className="field-problem">{fault('cut.kind')}</p>}
      <RuleLine
        label={t('systems.find')}
        value={step.find}
        onChange={(find) => {
          set({ find });
        }}
        name={`${step.id}-find`}
        problem={fault('find')}
      />
      <ConditionPicker
        words={known}
        units={choices.units}
        settings={system.settings}
        terms={terms}
        onAdd={(condition) => {
          set({ find: withCondition(step.find, condition) });
        }}
        test={`${step.id}-condition`}
      />
      <RuleLine
        label={t('systems.first')}
        value={step.first}
        onChange={(first) => {
          set({ first });
        }}
        name={`${step.id}-first`}
        problem={fault('first')}
      />
      <OrderPicker
        words={known}
        onAdd={(key) => {
          set({ first: withKey(step.first, key) });
        }}
        test={`${step.id}-order`}
      />
      <RuleLine
        label={t('systems.most')}
        value={step.most ?? ''}
        onChange={(most) => {
          set({ most: most === '' ? null : most });
        }}
        name={`${step.id}-most`}
        problem={fault('most')}
      />
      {step.cut.leave != null && (
        <RuleLine
          label={t('systems.leave')}
          value={step.cut.leave}
          onChange={(leave) => {
            set({ cut: { ...step.cut, leave } });
          }}
          name={`${step.id}-leave`}
          problem={fault('cut.leave')}
        />
      )}
      {step.limits.map((limit, i) => (
        <div key={i} className="rule-limit">
          <RuleLine
            label={t('systems.limit-where')}
            value={limit.where}
            onChange={(where) => {
              set({ limits: step.limits.map((l, j) => (j === i ? { ...l, where } : l)) });
            }}
            name={`${step.id}-limit-${i}`}
            problem={fault(`limits[${i}].where`)}
          />
          <RuleLine
            label={t('systems.limit-most')}
            value={limit.most}
            onChange={(most) => {
              set({ limits: step.limits.map((l, j) => (j === i ? { ...l, most } : l)) });
            }}
            name={`${step.id}-limit-most-${i}`}
            problem={fault(`limits[${i}].most`)}
          />
          <Button
            size="small"
            onClick={() => {
              set({ limits: step.limits.filter((_, j) => j !== i) });
            }}
          >
            {t('systems.take-out')}
          </Button>
        </div>
      ))}
      <details className="small step-words">
        <summary>{t('systems.more-of-step')}</summary>
        <div className="step-choices">
          <Labelled label={t('systems.pass')}>
            <Choice
              label={t('systems.pass')}
              value={step.pass ?? 'detail'}
              options={[
                ...choices.passes.map((pass) => ({ value: pass, label: t(`pass.${pass}`) })),
                ...(system.passes ?? []).map((pass) => ({ value: pass.id, label: local(pass.name) })),
              ]}
              onChange={(pass) => {
                set({ pass });
              }}
            />
          </Labelled>
          <Labelled label={t('systems.too-much')}>
            <Choice
              label={t('systems.too-much')}
              value={step.tooMuch ?? 'skip'}
              options={TOO_MUCH.map((x) => ({ value: x, label: t(`systems.too-much-${x}`) }))}
              onChange={(tooMuch) => {
                set({ tooMuch: tooMuch as SystemStep['tooMuch'] });
              }}
            />
          </Labelled>
          <NumberLine
            label={t('systems.seconds')}
            value={step.secondsEach}
            unit="s"
            problem={fault('secondsEach')}
            test={`${step.id}-seconds`}
            onChange={(secondsEach) => {
              set({ secondsEach: secondsEach as number });
            }}
          />
        </div>
        <span className="dim">{t('systems.under')}</span>{' '}
        {DECISIONS.map((decision) => (
          <Checkbox
            key={decision}
            checked={step.under.includes(decision)}
            onChange={(e) => {
              set({ under: DECISIONS.filter((d) => (d === decision ? e.target.checked : step.under.includes(d))) });
            }}
          >
            {t(`decision.${decision}`)}
          </Checkbox>
        ))}
        {fault('under') && <p className="field-problem">{fault('under')}</p>}
        <Button
          size="small"
          onClick={() => {
            set({ limits: [...step.limits, { where: '', most: '1' }] });
          }}
        >
          {t('systems.add-limit')}
        </Button>
        {(['name', 'lookFor', 'how', 'why', 'because'] as const).map((part) => (
          <WordsLines
            key={part}
            label={t(`systems.${part === 'name' ? 'step-name' : part}`)}
            value={step[part]}
            onChange={(value) => {
              set({ [part]: value });
            }}
            name={`${step.id}-${part}`}
            problem={fault(part)}
          />
        ))}
        <WordsLines
          label={t('systems.pass-caution')}
          value={step.caution ?? { en: '', es: '' }}
          onChange={(caution) => {
            set({ caution: caution.en === '' && caution.es === '' ? null : caution });
          }}
          name={`${step.id}-caution`}
        />
        <SourceLine
          source={step.source}
          onChange={(source) => {
            set({ source });
          }}
        />
      </details>
    </li>
  );
}

function Labelled({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <span className="step-choice">
      <span className="small dim" aria-hidden>
        {label}
      </span>
      {children}
    </span>
  );
}
