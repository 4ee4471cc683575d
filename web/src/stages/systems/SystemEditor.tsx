import { Button, Input } from 'antd';
import { useDeferredValue, useState } from 'react';
import { RequestError, type CatalogueView, type TrainingSystem } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { OwnPasses } from './OwnPasses';
import { OwnTraining } from './OwnTraining';
import { RuleLine, StepEditor, type SystemStep } from './StepEditor';
import { usePack, usePreview, useSaveSystem } from './useSystem';

/** Caps of one winter: what of the system, in which unit and by which factor, and at most. */
const CAPS = [
  ['shareOfBuds', '%', 100, 100],
  ['shareOfWood', '%', 100, 100],
  ['bigCuts', '', 1, 50],
  ['bigCutMm', 'mm', 1, 300],
] as const;

/** The rules of a system, to read and to change; a sample tree is cut by them as they are typed. */
export function SystemEditor({
  id,
  names,
  onDone,
}: {
  id: string;
  names: CatalogueView['systems'];
  onDone: () => void;
}) {
  const { t, local, number } = useReading();
  const may = useMay();
  const pack = usePack(id);
  const { save, remove } = useSaveSystem();
  const [changed, setChanged] = useState<TrainingSystem | null>(null);
  const system = changed ?? pack.data?.system ?? null;
  const settled = useDeferredValue(system);
  const preview = usePreview(settled);
  // The tree of the last rules that could be read stays while one is being typed.
  const [shown, setShown] = useState(preview.data);
  if (preview.data && preview.data !== shown) setShown(preview.data);
  if (!pack.data || !system) return <p className="waiting">{t('loading')}</p>;
  const known = names.find((n) => n.id === system.id);
  const fault = messageOf(save.error) ?? messageOf(remove.error) ?? messageOf(preview.error);
  const setStep = (at: number, part: Partial<SystemStep>) => {
    setChanged({ ...system, steps: system.steps.map((s, i) => (i === at ? { ...s, ...part } : s)) });
  };
  const move = (at: number, by: -1 | 1) => {
    const steps = [...system.steps];
    [steps[at], steps[at + by]] = [steps[at + by]!, steps[at]!];
    setChanged({ ...system, steps });
  };
  const copy = () => {
    let copyId = `${system.id}-2`;
    for (let i = 3; names.some((n) => n.id === copyId); i++) copyId = `${system.id}-${i}`;
    setChanged({
      ...system,
      id: copyId,
      name: { en: `${system.name.en} (${t('systems.copy-name')})`, es: `${system.name.es} (copia)` },
    });
  };
  return (
    <section className="sheet system-editor" data-test="system-editor">
      <div className="stage-head">
        <h2>{local(system.name)}</h2>
        <span className="system-tools">
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
              disabled={changed === null}
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
      <div className="system-columns">
        <fieldset className="part" disabled={!may('catalogue')}>
          {!known && (
            <div className="fields">
              {(['en', 'es'] as const).map((language) => (
                <label key={language} className="field">
                  {t('systems.name')} ({language}){' '}
                  <Input
                    value={system.name[language]}
                    maxLength={60}
                    data-test={`name-${language}`}
                    onChange={(e) => {
                      setChanged({ ...system, name: { ...system.name, [language]: e.target.value } });
                    }}
                  />
                </label>
              ))}
            </div>
          )}
          <div className="system-settings">
            {system.settings.map((s, i) => (
              <NumberLine
                key={s.id}
                label={local(s.name)}
                value={s.value}
                unit={s.unit}
                least={s.least}
                most={s.most}
                onChange={(value) => {
                  setChanged({ ...system, settings: system.settings.map((x, j) => (j === i ? { ...x, value } : x)) });
                }}
              />
            ))}
          </div>
          <strong>{t('systems.caps')}</strong>
          <div className="system-settings">
            {CAPS.map(([cap, unit, factor, most]) => (
              <NumberLine
                key={cap}
                label={t(`systems.cap-${cap}`)}
                value={Math.round(system.caps[cap] * factor * 10) / 10}
                unit={unit}
                least={0}
                most={most}
                onChange={(value) => {
                  setChanged({
                    ...system,
                    caps: { ...system.caps, [cap]: cap === 'bigCuts' ? Math.round(value) : value / factor },
                  });
                }}
              />
            ))}
          </div>
          {Object.keys(system.terms).length > 0 && (
            <div className="system-terms">
              <strong>{t('systems.terms')}</strong>
              {Object.entries(system.terms).map(([name, rule]) => (
                <RuleLine
                  key={name}
                  label={name}
                  value={rule}
                  onChange={(text) => {
                    setChanged({ ...system, terms: { ...system.terms, [name]: text } });
                  }}
                  name={`term-${name}`}
                />
              ))}
            </div>
          )}
          <ol className="system-steps">
            {system.steps.map((step, i) => (
              <StepEditor
                key={step.id}
                step={step}
                place={i}
                steps={system.steps.length}
                own={system.passes}
                set={(part) => {
                  setStep(i, part);
                }}
                move={(by) => {
                  move(i, by);
                }}
                takeOut={() => {
                  setChanged(withoutStep(system, step.id));
                }}
              />
            ))}
          </ol>
          <OwnPasses
            passes={system.passes ?? []}
            preview={shown}
            onChange={(passes) => {
              setChanged({ ...system, passes });
            }}
          />
          <OwnTraining
            training={system.training ?? null}
            preview={shown}
            onChange={(training) => {
              setChanged({ ...system, training });
            }}
          />
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
                      <code>{w.name}</code> ({w.dimension}): {w.means}
                    </dd>
                  ))}
                </div>
              ))}
            </dl>
          </details>
        </fieldset>
        <div className="system-sample">
          {fault ? (
            <p className="field-problem" role="alert" data-test="pack-fault">
              {fault}
            </p>
          ) : (
            shown && (
              <p className="small">
                {t('systems.sample', {
                  before: number(shown.sample.tree.floralBuds, 0),
                  left: number(shown.sample.after.floralBuds, 0),
                  wanted: number(shown.budsToLeave, 0),
                  count: shown.sample.cuts.length,
                })}
              </p>
            )
          )}
          {shown && (
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
          )}
        </div>
      </div>
    </section>
  );
}

/** A number of the system with its unit. */
function NumberLine({
  label,
  value,
  unit,
  least,
  most,
  onChange,
}: {
  label: string;
  value: number;
  unit: string;
  least: number;
  most: number;
  onChange: (value: number) => void;
}) {
  return (
    <label className="small">
      {label}
      <span className="system-setting">
        <input
          type="number"
          className="ant-input"
          min={least}
          max={most}
          step="any"
          value={value}
          aria-label={label}
          onChange={(e) => {
            onChange(Number(e.target.value));
          }}
        />{' '}
        {unit}
      </span>
    </label>
  );
}

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

function messageOf(error: Error | null): string | null {
  if (error === null) return null;
  return (error instanceof RequestError ? error.problem.problems?.[0]?.message : undefined) ?? error.message;
}
