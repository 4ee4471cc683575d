import { Button, Input } from 'antd';
import { useDeferredValue, useState } from 'react';
import { RequestError, type Catalogue, type TrainingSystem } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { usePack, usePreview, useSaveSystem } from './useSystem';

type Step = TrainingSystem['steps'][number];

/** The rules of a system, to read and to change; a sample tree is cut by them as they are typed. */
export function SystemEditor({ id, names, onDone }: { id: string; names: Catalogue['systems']; onDone: () => void }) {
  const { t, local, amount, number } = useReading();
  const may = useMay();
  const pack = usePack(id);
  const { save, remove } = useSaveSystem();
  const [changed, setChanged] = useState<TrainingSystem | null>(null);
  const system = changed ?? pack.data?.system ?? null;
  const settled = useDeferredValue(system);
  const preview = usePreview(settled);
  if (!pack.data || !system) return <p className="waiting">{t('loading')}</p>;
  const known = names.find((n) => n.id === system.id);
  const fault = messageOf(save.error) ?? messageOf(remove.error) ?? messageOf(preview.error);
  const setStep = (at: number, part: Partial<Step>) => { setChanged({ ...system, steps: system.steps.map((s, i) => (i === at ? { ...s, ...part } : s)) }); };
  const metre = (m: number) => { const shown = amount(m, 'm', 1); return `${shown.number} ${shown.unit}`; };
  const copy = () => {
    let copyId = `${system.id}-2`;
    for (let i = 3; names.some((n) => n.id === copyId); i++) copyId = `${system.id}-${i}`;
    setChanged({ ...system, id: copyId, name: { en: `${system.name.en} (${t('systems.copy-name')})`, es: `${system.name.es} (copia)` } });
  };
  const shown = preview.data;
  return (
    <section className="sheet system-editor" data-test="system-editor">
      <div className="stage-head">
        <h2>{local(system.name)}</h2>
        <span className="catalogue-tools">
          {may('catalogue') && <Button onClick={copy} disabled={!known} data-test="copy-system">{t('systems.copy')}</Button>}
          {may('catalogue') && (known?.version ?? 0) > 0 && <Button onClick={() => { remove.mutate(system.id, { onSuccess: onDone }); }}>{t(known?.isShipped ? 'systems.as-shipped' : 'systems.remove')}</Button>}
          {may('catalogue') && <Button type="primary" disabled={changed === null} loading={save.isPending} data-test="save-system"
            onClick={() => { save.mutate({ version: known?.version ?? 0, system }, { onSuccess: () => { setChanged(null); onDone(); } }); }}>{t('save')}</Button>}
          <Button onClick={onDone}>{t('systems.close')}</Button>
        </span>
      </div>
      <div className="system-columns">
        <fieldset className="part" disabled={!may('catalogue')}>
          {!known && (
            <div className="fields">
              {(['en', 'es'] as const).map((language) => (
                <label key={language} className="field">{t('systems.name')} ({language}) <Input value={system.name[language]} maxLength={60} onChange={(e) => { setChanged({ ...system, name: { ...system.name, [language]: e.target.value } }); }} /></label>
              ))}
            </div>
          )}
          <div className="system-settings">
            {system.settings.map((s, i) => (
              <label key={s.id} className="small">{local(s.name)}
                <span className="system-setting"><input type="number" className="ant-input" min={s.least} max={s.most} step="any" value={s.value} aria-label={local(s.name)}
                  onChange={(e) => { setChanged({ ...system, settings: system.settings.map((x, j) => (j === i ? { ...x, value: Number(e.target.value) } : x)) }); }} /> {s.unit}</span>
              </label>
            ))}
          </div>
          {Object.keys(system.terms).length > 0 && (
            <div className="system-terms">
              <strong>{t('systems.terms')}</strong>
              {Object.entries(system.terms).map(([name, rule]) => <RuleLine key={name} label={name} value={rule} onChange={(text) => { setChanged({ ...system, terms: { ...system.terms, [name]: text } }); }} name={`term-${name}`} />)}
            </div>
          )}
          <ol className="system-steps">
            {system.steps.map((step, i) => (
              <li key={step.id}>
                <strong>{i + 1} {local(step.name)}</strong> <span className="small dim">{step.source}</span>
                <RuleLine label={t('systems.find')} value={step.find} onChange={(find) => { setStep(i, { find }); }} name={`${step.id}-find`} />
                <RuleLine label={t('systems.first')} value={step.first} onChange={(first) => { setStep(i, { first }); }} name={`${step.id}-first`} />
                <RuleLine label={t('systems.most')} value={step.most ?? ''} onChange={(most) => { setStep(i, { most: most === '' ? null : most }); }} name={`${step.id}-most`} />
                {step.cut.leave != null && <RuleLine label={t('systems.leave')} value={step.cut.leave} onChange={(leave) => { setStep(i, { cut: { ...step.cut, leave } }); }} name={`${step.id}-leave`} />}
              </li>
            ))}
          </ol>
          <details className="small">
            <summary>{t('systems.words')}</summary>
            <dl className="system-words">
              {Object.entries(pack.data.words).map(([subject, words]) => (
                <div key={subject}><dt><strong>{subject}</strong></dt>{words.map((w) => <dd key={w.name}><code>{w.name}</code> ({w.dimension}): {w.means}</dd>)}</div>
              ))}
            </dl>
          </details>
        </fieldset>
        <div className="system-sample">
          {fault ? <p className="field-problem" role="alert" data-test="pack-fault">{fault}</p>
            : shown && <p className="small">{t('systems.sample', { before: number(shown.sample.tree.floralBuds, 0), left: number(shown.sample.after.floralBuds, 0), wanted: number(shown.budsToLeave, 0), count: shown.sample.cuts.length })}</p>}
          {shown && <TreeDrawing tree={shown.sample.tree} view={shown.sample.seenFrom} width={420} height={470} made={shown.sample.cuts.filter((c) => c.bud === null)} now={false} heightLimitM={shown.sample.heightLimitM} heightLimitText={t('bench.height-limit')} metre={metre} ground={20} margin={30} />}
        </div>
      </div>
    </section>
  );
}

function RuleLine({ label, value, onChange, name }: { label: string; value: string; onChange: (value: string) => void; name: string }) {
  return (
    <label className="rule-line"><span className="small dim">{label}</span>
      <Input value={value} spellCheck={false} autoComplete="off" maxLength={400} data-test={name} onChange={(e) => { onChange(e.target.value); }} />
    </label>
  );
}

function messageOf(error: Error | null): string | null {
  if (error === null) return null;
  return (error instanceof RequestError ? error.problem.problems?.[0]?.message : undefined) ?? error.message;
}
