import { Button } from 'antd';
import type { SystemPack, TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { NumberLine } from './NumberLine';
import { RuleLine, WordsLines } from './RuleLine';
import { StepsInTurn } from './StepsInTurn';

export type Answer = TrainingSystem['questions'][number]['options'][number];

/** An answer to a question: what it is called, what speaks for it, and all it may change in the system. */
export function AnswerLines({
  answer,
  system,
  choices,
  fault,
  set,
  takeOut,
}: {
  answer: Answer;
  system: TrainingSystem;
  choices: SystemPack['choices'];
  fault: string | undefined;
  set: (part: Partial<Answer>) => void;
  /** Nothing where a question needs it. */
  takeOut: (() => void) | null;
}) {
  const { t, local } = useReading();
  const test = `answer-${answer.id}`;
  const nameOf = (step: string) => local(system.steps.find((s) => s.id === step)?.name) || step;
  const steps = system.steps.map((s) => ({ value: s.id, label: local(s.name) }));
  const stepsBut = (taken: object | null | undefined) => steps.filter((s) => !(s.value in (taken ?? {})));
  const passes = [
    ...choices.passes.map((pass) => ({ value: pass, label: t(`pass.${pass}`) })),
    ...(system.passes ?? []).map((pass) => ({ value: pass.id, label: local(pass.name) })),
  ];
  return (
    <div className="answer-lines" data-test={test}>
      <WordsLines
        label={t('systems.answer')}
        value={answer.name}
        most={60}
        onChange={(name) => {
          set({ name });
        }}
        name={`${test}-name`}
      />
      <WordsLines
        label={t('systems.answer-why')}
        value={answer.why}
        onChange={(why) => {
          set({ why });
        }}
        name={`${test}-why`}
      />
      <Ticks
        label={t('systems.leaves-out')}
        options={steps}
        chosen={answer.leavesOut}
        onChange={(leavesOut) => {
          set({ leavesOut });
        }}
      />
      <Ticks
        label={t('systems.suits')}
        options={choices.traits.map((trait) => ({ value: trait, label: t(`systems.trait-${trait}`) }))}
        chosen={answer.suits}
        onChange={(suits) => {
          set({ suits });
        }}
      />
      {Object.entries(answer.sets ?? {}).map(([id, value]) => (
        <span key={id} className="answer-change">
          <NumberLine
            label={local(system.settings.find((s) => s.id === id)?.name) || id}
            value={value}
            unit={system.settings.find((s) => s.id === id)?.unit ?? ''}
            test={`${test}-sets-${id}`}
            onChange={(next) => {
              set({ sets: { ...answer.sets, [id]: next as number } });
            }}
          />
          <TakeOut
            onClick={() => {
              set({ sets: without(answer.sets, id) });
            }}
          />
        </span>
      ))}
      {Object.entries(answer.orders ?? {}).map(([step, rule]) => (
        <span key={step} className="answer-change">
          <RuleLine
            label={t('systems.starts', { step: nameOf(step) })}
            value={rule}
            onChange={(first) => {
              set({ orders: { ...answer.orders, [step]: first } });
            }}
            name={`${test}-orders-${step}`}
          />
          <TakeOut
            onClick={() => {
              set({ orders: without(answer.orders, step) });
            }}
          />
        </span>
      ))}
      {Object.entries(answer.moves ?? {}).map(([step, pass]) => (
        <span key={step} className="answer-change small">
          {t('systems.moved', { step: nameOf(step) })}{' '}
          <Choice
            label={t('systems.moved', { step: nameOf(step) })}
            value={pass}
            options={passes}
            onChange={(next) => {
              set({ moves: { ...answer.moves, [step]: next } });
            }}
          />
          <TakeOut
            onClick={() => {
              set({ moves: without(answer.moves, step) });
            }}
          />
        </span>
      ))}
      {answer.sequence && (
        <StepsInTurn
          sequence={answer.sequence}
          nameOf={nameOf}
          all={steps}
          onChange={(sequence) => {
            set({ sequence });
          }}
        />
      )}
      {fault && <p className="field-problem">{fault}</p>}
      <span className="step-choices">
        <Choice
          label={t('systems.sets')}
          empty={t('systems.sets')}
          value=""
          options={system.settings
            .filter((s) => !(s.id in (answer.sets ?? {})))
            .map((s) => ({ value: s.id, label: local(s.name) }))}
          onChange={(id) => {
            const setting = system.settings.find((s) => s.id === id);
            if (setting) set({ sets: { ...answer.sets, [id]: setting.value } });
          }}
        />
        <Choice
          label={t('systems.orders')}
          empty={t('systems.orders')}
          value=""
          options={stepsBut(answer.orders)}
          onChange={(id) => {
            const step = system.steps.find((s) => s.id === id);
            if (step) set({ orders: { ...answer.orders, [id]: step.first } });
          }}
        />
        <Choice
          label={t('systems.moves')}
          empty={t('systems.moves')}
          value=""
          options={stepsBut(answer.moves)}
          onChange={(id) => {
            if (id) set({ moves: { ...answer.moves, [id]: choices.passes[0]! } });
          }}
        />
        {!answer.sequence && (
          <Button
            size="small"
            onClick={() => {
              set({ sequence: system.steps.map((s) => s.id) });
            }}
            data-test={`${test}-sequence`}
          >
            {t('systems.sequence')}
          </Button>
        )}
        <Choice
          label={t('systems.answer-aim')}
          empty={t('systems.answer-aim')}
          value={answer.aim ?? ''}
          options={(['number', 'light'] as const).map((a) => ({ value: a, label: t(`systems.${a}`) }))}
          onChange={(aim) => {
            set({ aim: aim === '' ? null : (aim as Answer['aim']) });
          }}
        />
        <label className="small">
          <input
            type="checkbox"
            checked={answer.twoPasses === true}
            onChange={(e) => {
              set({ twoPasses: e.target.checked });
            }}
            data-test={`${test}-two-passes`}
          />{' '}
          {t('systems.two-passes')}
        </label>
        <Button size="small" disabled={takeOut === null} onClick={() => takeOut?.()}>
          {t('systems.take-out-answer')}
        </Button>
      </span>
    </div>
  );
}

function Ticks({
  label,
  options,
  chosen,
  onChange,
}: {
  label: string;
  options: { value: string; label: string }[];
  chosen: string[] | null | undefined;
  onChange: (chosen: string[] | null) => void;
}) {
  return (
    <p className="answer-ticks">
      <span className="small dim">{label}</span>{' '}
      {options.map((o) => (
        <label key={o.value} className="small answer-step">
          <input
            type="checkbox"
            checked={chosen?.includes(o.value) === true}
            onChange={(e) => {
              const others = (chosen ?? []).filter((x) => x !== o.value);
              const next = e.target.checked ? [...others, o.value] : others;
              onChange(next.length === 0 ? null : next);
            }}
          />{' '}
          {o.label}
        </label>
      ))}
    </p>
  );
}

function TakeOut({ onClick }: { onClick: () => void }) {
  const { t } = useReading();
  return (
    <Button size="small" onClick={onClick}>
      {t('systems.take-out')}
    </Button>
  );
}

/** The rest of a dictionary; nothing where none is left. */
function without<T>(of: Record<string, T> | null | undefined, key: string): Record<string, T> | null {
  const left = Object.entries(of ?? {}).filter(([k]) => k !== key);
  return left.length === 0 ? null : Object.fromEntries(left);
}
