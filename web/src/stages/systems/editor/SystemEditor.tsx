import { Button } from 'antd';
import { useDeferredValue, useState } from 'react';
import type { CatalogueView, TrainingSystem } from '../../../api/client';
import { TreeDrawing } from '../../../drawings/TreeDrawing';
import { useMay } from '../../../people/session';
import { useReading } from '../../../words/useReading';
import { CompareSystems } from './CompareSystems';
import { FormLines } from './FormLines';
import { NumberLine } from './NumberLine';
import { OwnPasses } from './OwnPasses';
import { OwnTraining } from './OwnTraining';
import { faultAt, faultsElsewhere, faultsOf } from './packFaults';
import { packText, saveFile } from './packFile';
import { WordsLines } from './RuleLine';
import { freeId } from './ruleText';
import { StepEditor, type SystemStep } from './StepEditor';
import { MoreOfSystem } from './MoreOfSystem';
import { QuestionsList } from './QuestionsList';
import { SettingsList } from './SettingsList';
import { TakeOver } from './TakeOver';
import { TermsList } from './TermsList';
import { BLANK, usePack, usePreview, useSaveSystem } from '../useSystem';

/** Caps of one winter: what of the system, in which unit and by which factor. */
const CAPS = [
  ['shareOfBuds', '%', 100],
  ['shareOfWood', '%', 100],
  ['bigCuts', '', 1],
  ['bigCutMm', 'mm', 1],
  ['shareRubbed', '%', 100],
] as const;

/** Fields of a pack whose faults are told at them. */
const SHOWN = [
  'steps',
  'settings',
  'questions',
  'terms',
  'caps',
  'form',
  'crops',
  'labour',
  'renewal',
  'sides',
  'keepOff',
] as const;

/** The rules of a system, to read and to change; a sample tree is cut by them as they are typed. */
export function SystemEditor({
  id,
  imported,
  names,
  crops,
  onDone,
}: {
  /** Identifier of a system, or that of a blank one. */
  id: string;
  /** A system from a file, not saved yet. */
  imported?: TrainingSystem | undefined;
  names: CatalogueView['systems'];
  crops: CatalogueView['crops'];
  onDone: () => void;
}) {
  const { t, local, number } = useReading();
  const may = useMay();
  const pack = usePack(id);
  const { save, remove } = useSaveSystem();
  const [changed, setChanged] = useState<TrainingSystem | null>(imported ?? null);
  const system = changed ?? pack.data?.system ?? null;
  const settled = useDeferredValue(system);
  const preview = usePreview(settled);
  // The tree of the last rules that could be read stays while one is being typed.
  const [shown, setShown] = useState(preview.data);
  if (preview.data && preview.data !== shown) setShown(preview.data);
  if (!pack.data || !system) return <p className="waiting">{t('loading')}</p>;
  const known = names.find((n) => n.id === system.id);
  const refused = save.error ?? remove.error ?? preview.error;
  const faults = faultsOf(refused);
  const elsewhere = faultsElsewhere(faults, SHOWN);
  const set = (part: Partial<TrainingSystem>) => {
    save.reset();
    setChanged({ ...system, ...part });
  };
  const setStep = (at: number, part: Partial<SystemStep>) => {
    set({ steps: system.steps.map((s, i) => (i === at ? { ...s, ...part } : s)) });
  };
  const move = (at: number, by: -1 | 1) => {
    const steps = [...system.steps];
    [steps[at], steps[at + by]] = [steps[at + by]!, steps[at]!];
    set({ steps });
  };
  const addStep = (step: SystemStep, after: number) => {
    set({ steps: [...system.steps.slice(0, after + 1), step, ...system.steps.slice(after + 1)] });
  };
  const stepId = (name: string) =>
    freeId(
      name,
      system.steps.map((s) => s.id),
    );
  const copy = () => {
    setChanged({
      ...system,
      id: freeId(
        system.id,
        names.map((n) => n.id),
      ),
      name: { en: `${system.name.en} (${t('systems.copy-name')})`, es: `${system.name.es} (copia)` },
    });
  };
  return (
    <section className="sheet system-editor" data-test="system-editor">
      <div className="stage-head">
        <h2>{local(system.name)}</h2>
        <span className="system-tools">
          <Button
            onClick={() => {
              saveFile(`${system.id}.json`, packText(system));
            }}
            data-test="export-system"
          >
            {t('systems.export')}
          </Button>
          {may('catalogue') && (
            <Button onClick={copy} disabled={!known} data-test="copy-system">
              {t('systems.copy')}
            </Button>
          )}
          {may('catalogue') && (known?.version ?? 0) > 0 && (
            <Button
              onClick={() => {
                remove.mutate(system.id, { onSuccess: onDone });
              }}
            >
              {t(known?.isShipped ? 'systems.as-shipped' : 'systems.remove')}
            </Button>
          )}
          {may('catalogue') && (
            <Button
              type="primary"
              disabled={changed === null || preview.error !== null || preview.isFetching}
              loading={save.isPending}
              data-test="save-system"
              onClick={() => {
                save.mutate(
                  { version: known?.version ?? 0, system },
                  {
                    onSuccess: () => {
                      setChanged(null);
                      onDone();
                    },
                  },
                );
              }}
            >
              {t('save')}
            </Button>
          )}
          <Button onClick={onDone}>{t('systems.close')}</Button>
        </span>
      </div>
      {faults.size > 0 && (
        <p className="field-problem" role="alert" data-test="pack-faults">
          {t('systems.faults', { count: faults.size })} {elsewhere.join(' ')}
        </p>
      )}
      {refused && faults.size === 0 && (
        <p className="field-problem" role="alert">
          {refused.message}{' '}
          <Button size="small" onClick={() => void preview.refetch()}>
            {t('systems.try-again')}
          </Button>
        </p>
      )}
      <div className="system-columns">
        <fieldset className="part" disabled={!may('catalogue')}>
          {!known && (
            <WordsLines
              label={t('systems.name')}
              value={system.name}
              most={60}
              onChange={(name) => {
                // What it is called for rules follows its name until it is saved.
                set({
                  name,
                  ...(id === BLANK && {
                    id: freeId(
                      name.en,
                      names.map((n) => n.id),
                    ),
                  }),
                });
              }}
              name="name"
            />
          )}
          <FormLines system={system} faults={faults} crops={crops} set={set} />
          <SettingsList system={system} units={pack.data.choices.units} faults={faults} set={set} />
          <strong>{t('systems.caps')}</strong>
          <div className="system-settings">
            {CAPS.map(([cap, unit, factor]) => (
              <NumberLine
                key={cap}
                label={t(`systems.cap-${cap}`)}
                value={(system.caps[cap] as number | null) === null ? null : told(system.caps[cap] * factor)}
                unit={unit}
                problem={faultAt(faults, `caps.${cap}`)}
                onChange={(value) => {
                  set({ caps: { ...system.caps, [cap]: value === null ? null : value / factor } });
                }}
              />
            ))}
          </div>
          <TermsList system={system} faults={faults} set={set} />
          <strong>{t('systems.steps')}</strong>
          <ol className="system-steps">
            {system.steps.map((step, i) => (
              <StepEditor
                key={step.id}
                step={step}
                place={i}
                system={system}
                words={pack.data.words}
                choices={pack.data.choices}
                faults={faults}
                set={(part) => {
                  setStep(i, part);
                }}
                move={(by) => {
                  move(i, by);
                }}
                copy={() => {
                  addStep({ ...step, id: stepId(step.id) }, i);
                }}
                takeOut={() => {
                  setChanged(withoutStep(system, step.id));
                }}
              />
            ))}
          </ol>
          <Button
            onClick={() => {
              const { begin } = pack.data.choices;
              addStep({ ...begin, id: stepId(begin.id) }, system.steps.length - 1);
            }}
            data-test="add-step"
          >
            {t('systems.add-step')}
          </Button>
          <TakeOver part="step" system={system} names={names} set={set} />
          <QuestionsList system={system} faults={faults} set={set} choices={pack.data.choices} />
          <TakeOver part="question" system={system} names={names} set={set} />
          <MoreOfSystem system={system} faults={faults} set={set} choices={pack.data.choices} />
          <OwnPasses
            passes={system.passes ?? []}
            preview={shown}
            onChange={(passes) => {
              set({ passes });
            }}
          />
          <OwnTraining
            training={system.training ?? null}
            preview={shown}
            onChange={(training) => {
              set({ training });
            }}
          />
          <CompareSystems system={system} names={names} />
          <details className="small">
            <summary>{t('systems.words')}</summary>
            <dl className="system-words">
              {Object.entries(pack.data.words).map(([subject, words]) => (
                <div key={subject}>
                  <dt>
                    <strong>{subject}</strong>
                  </dt>
                  {words.map((w) => (
                    <dd key={w.name}>
                      <code>{w.name}</code> ({t(`systems.dimension-${w.dimension}`)}):{' '}
                      {t(w.means, { defaultValue: w.means })}
                    </dd>
                  ))}
                </div>
              ))}
            </dl>
          </details>
        </fieldset>
        <div className="system-sample">
          {shown && (
            <>
              <p className="small">
                {t(preview.error ? 'systems.sample-before' : 'systems.sample', {
                  before: number(shown.sample.tree.floralBuds, 0),
                  left: number(shown.sample.after.floralBuds, 0),
                  wanted: number(shown.budsToLeave, 0),
                  count: shown.sample.cuts.length,
                })}
              </p>
              <TreeDrawing
                tree={shown.sample.tree}
                view={shown.sample.seenFrom}
                width={420}
                height={470}
                now={false}
                ground={20}
                margin={30}
                made={shown.sample.cuts.filter((c) => c.bud === null)}
                heightLimitM={shown.sample.heightLimitM}
                heightLimitText={t('bench.height-limit')}
                alleyText={t('bench.alley')}
              />
            </>
          )}
        </div>
      </div>
    </section>
  );
}

const told = (value: number) => Math.round(value * 10) / 10;

/** A system without a step, which its questions then speak of no more. */
function withoutStep(system: TrainingSystem, id: string): TrainingSystem {
  const others = (ids: string[] | null | undefined) => ids?.filter((x) => x !== id) ?? null;
  return {
    ...system,
    steps: system.steps.filter((s) => s.id !== id),
    questions: system.questions.map((q) => ({
      ...q,
      options: q.options.map((o) => ({
        ...o,
        leavesOut: others(o.leavesOut),
        sequence: others(o.sequence),
        moves: o.moves ? Object.fromEntries(Object.entries(o.moves).filter(([step]) => step !== id)) : null,
        orders: o.orders ? Object.fromEntries(Object.entries(o.orders).filter(([step]) => step !== id)) : null,
      })),
    })),
  };
}
