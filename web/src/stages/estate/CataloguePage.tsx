import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { api, answered, type Catalogue, type CatalogueVariety, type Step, type VarietyEntry } from '../../api/client';
import { Choice } from '../../entry/Field';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { useAttempt } from '../../entry/useAttempt';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import './catalogue.css';
import { useCatalogue } from './useCatalogue';

const numbers = ['cropDensityLow', 'cropDensityHigh', 'setShare', 'setShareSd', 'fruitMassG'] as const;
type NumberField = (typeof numbers)[number];
const units: Record<NumberField, string> = { cropDensityLow: 'fruit/cm²', cropDensityHigh: 'fruit/cm²', setShare: 'fruit/bud', setShareSd: 'fruit/bud', fruitMassG: 'g' };

/** What Rama knows of crops, varieties and rootstocks, each number with its source; an estate may know better. */
export function CataloguePage() {
  const { t, local, number } = useReading();
  const catalogue = useCatalogue();
  const may = useMay();
  const [crop, setCrop] = useState('apple');
  const [edited, setEdited] = useState<string | null>(null);
  useEffect(() => { document.title = `${t('place.catalogue')} · Rama`; }, [t]);
  if (catalogue.error) return <Trouble error={catalogue.error} retry={() => void catalogue.refetch()} />;
  if (!catalogue.data) return <p className="waiting">{t('loading')}</p>;
  const { crops, varieties, rootstocks } = catalogue.data;
  const chosen = crops.find((c) => c.id === crop)!;
  const editing = edited === '' ? null : varieties.find((v) => v.name === edited);
  return (
    <main className="page catalogue">
      <div className="stage-head">
        <h1>{t('place.catalogue')}</h1>
        <span className="catalogue-tools">
          <Choice label={t('catalogue.crop')} value={crop} onChange={(c) => { setCrop(c); setEdited(null); }} options={crops.map((c) => ({ value: c.id, label: local(c.name) }))} />
          {may('catalogue') && <Button onClick={() => { setEdited(''); }} data-test="add-variety">{t('catalogue.add')}</Button>}
        </span>
      </div>
      <p>{local(chosen.note)} <span className="dim">{t(chosen.fruitPerUnitLow.value === chosen.fruitPerUnitHigh.value ? 'catalogue.counted-one' : 'catalogue.counted', { what: local(chosen.counted), low: number(chosen.fruitPerUnitLow.value), high: number(chosen.fruitPerUnitHigh.value) })} · {source(chosen.fruitPerUnitLow.source)}</span></p>
      <div className={edited === null ? undefined : 'columns catalogue-columns'}>
        <section>
          <h2>{t('catalogue.varieties')}</h2>
          <table className="figures" data-test="varieties">
            <thead><tr><th>{t('field.variety')}</th>{numbers.map((n) => <th key={n} className="number">{t(`catalogue.${n}`)}</th>)}<th>{t('catalogue.traits')}</th><th /></tr></thead>
            <tbody>
              {varieties.filter((v) => v.crop === crop).map((v) => (
                <tr key={v.name}>
                  <th scope="row">{v.name}{v.version > 0 && <span className="catalogue-own"> {t(v.shipped ? 'catalogue.changed' : 'catalogue.own')}</span>}</th>
                  {numbers.map((n) => <NumberCell key={n} variety={v} field={n} />)}
                  <td className="small">{traitsOf(v)}</td>
                  <td className="right">{may('catalogue') && <Button size="small" onClick={() => { setEdited(v.name); }} data-test={`change-${v.name}`}>{t('catalogue.change')}</Button>}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="catalogue-stocks">{t('catalogue.rootstocks')}</h2>
          <table className="figures">
            <thead><tr><th>{t('field.rootstock')}</th><th className="number">{t('catalogue.vigour')}</th><th>{t('catalogue.precocity')}</th><th>{t('catalogue.hardiness')}</th><th>{t('catalogue.suckering')}</th><th>{t('catalogue.source')}</th></tr></thead>
            <tbody>
              {rootstocks.filter((r) => r.crop === crop).map((r) => (
                <tr key={r.name}>
                  <th scope="row">{r.name}</th><td className="number"><Why steps={[sourced(t('catalogue.vigour'), r.vigourPercent, '%')]}>{number(r.vigourPercent.value, 0)} <span className="unit">%</span></Why></td>
                  <td>{t(`trait.precocity.${r.precocity}`)}</td><td>{t(`trait.hardiness.${r.hardiness}`)}</td><td>{t(`trait.suckering.${r.suckering}`)}</td><td className="small dim">{source(r.source)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        {edited !== null && <VarietyForm key={edited} variety={editing ?? null} crop={crop} onDone={() => { setEdited(null); }} />}
      </div>
    </main>
  );

  function source(text: string) {
    return t(text, { defaultValue: text });
  }

  function traitsOf({ current: { traits } }: CatalogueVariety) {
    return [
      traits.biennialProne && t('trait.biennial'), t(`trait.vigour.${traits.vigour}`), t(`trait.habit.${traits.habit}`), traits.branching === 'poor' && t('trait.branching.poor'),
      traits.fruitSize !== 'normal' && t(`trait.fruitSize.${traits.fruitSize}`), traits.setTendency !== 'normal' && t(`trait.set.${traits.setTendency}`), traits.selfFertile && t('trait.selfFertile'),
    ].filter(Boolean).join(', ');
  }
}

/** Where a number of the catalogue comes from, for the same answer that every other number gives. */
const sourced = (name: string, { value, source }: { value: number; source: string }, unit: string): Step =>
  ({ code: 'catalogue', formula: 'from the catalogue', result: { name, value, unit }, inputs: [], source });

/** A number with its source, and what is shipped where the estate's own differs. */
function NumberCell({ variety, field }: { variety: CatalogueVariety; field: NumberField }) {
  const { t, number } = useReading();
  const current = variety.current[field];
  const shipped = variety.shipped?.[field];
  const changed = variety.shipped !== null && current?.value !== shipped?.value;
  return (
    <td className="number">
      {current ? <Why steps={[sourced(t(`catalogue.${field}`), current, units[field])]}>{number(current.value)} <span className="unit">{units[field]}</span></Why> : '–'}
      {changed && <span className="catalogue-shipped">{t('catalogue.shipped', { value: shipped ? number(shipped.value) : '–' })}</span>}
    </td>
  );
}

const spec: FormSpec = { name: 'text', cropDensityLow: 'number', cropDensityHigh: 'number', setShare: 'number', setShareSd: 'number', fruitMassG: 'number', source: 'text' };

function VarietyForm({ variety, crop, onDone }: { variety: CatalogueVariety | null; crop: string; onDone: () => void }) {
  const reading = useReading();
  const { t, language, number } = reading;
  const client = useQueryClient();
  const { problem, unreadable, failure, busy, attempt } = useAttempt();
  const [draft, setDraft] = useState<Draft>(() => {
    const from = variety?.current;
    return toDraft(spec, { name: variety?.name ?? '', ...Object.fromEntries(numbers.map((n) => [n, from?.[n]?.value])), source: '' }, reading);
  });
  const [biennial, setBiennial] = useState(variety?.current.traits.biennialProne ?? false);
  const show = async (next: Catalogue) => {
    client.setQueryData(['catalogue'], next);
    // Every plan rests on it.
    await client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'catalogue' });
    onDone();
  };
  const save = () => {
    const { entry, unreadable: bad } = readDraft<VarietyEntry>(spec, draft, language);
    if (bad.length > 0) {
      unreadable(bad);
      return;
    }
    void attempt(async () => {
      await show(await answered(api.PUT('/api/v1/catalogue/varieties', { body: { version: variety?.version ?? 0, variety: { ...entry, crop, biennialProne: biennial } } })));
    });
  };
  const remove = () => attempt(async () => {
    await show(await answered(api.DELETE('/api/v1/catalogue/varieties/{name}', { params: { path: { name: variety!.name } } })));
  });
  const form = fieldControls('variety', draft, setDraft, problem, t, save);
  const hint = (field: NumberField) => {
    const shipped = variety?.shipped?.[field];
    return shipped ? `${t('catalogue.shipped', { value: number(shipped.value) })} · ${t(shipped.source, { defaultValue: shipped.source })}` : undefined;
  };
  return (
    <aside className="sheet">
      <form className="catalogue-form" noValidate onSubmit={(e) => { e.preventDefault(); save(); }}>
        <h2>{variety ? variety.name : t('catalogue.add')}</h2>
        {!variety && form.input('name', [], { numeric: false })}
        {numbers.map((n) => form.input(n, [units[n]], { label: t(n === 'cropDensityHigh' ? 'catalogue.cropDensityTo' : n === 'setShareSd' ? 'catalogue.setShareSdOf' : `catalogue.${n}`), hint: hint(n) }))}
        <div className="field"><span className="field-label">{t('catalogue.biennial')}</span>
          <Choice label={t('catalogue.biennial')} value={biennial ? 'yes' : 'no'} onChange={(v) => { setBiennial(v === 'yes'); }} options={[{ value: 'no', label: t('no') }, { value: 'yes', label: t('yes') }]} /></div>
        {form.input('source', [], { numeric: false, label: t('catalogue.source'), hint: t('catalogue.source-hint') })}
        {failure && <p className="field-problem" role="alert">{failure}</p>}
        <div className="save-bar">
          <Button type="primary" htmlType="submit" loading={busy} data-test="save-variety">{t('save')}</Button>
          <Button onClick={onDone}>{t('new.cancel')}</Button>
          {variety && variety.version > 0 && <Button onClick={() => void remove()} data-test="back-to-shipped">{t(variety.shipped ? 'catalogue.back' : 'catalogue.remove')}</Button>}
        </div>
      </form>
    </aside>
  );
}
