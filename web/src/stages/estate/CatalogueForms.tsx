import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import {
  api,
  answered,
  type CatalogueView,
  type CatalogueRootstock,
  type CatalogueVariety,
  type RootstockEntry,
  type VarietyEntry,
} from '../../api/client';
import { Choice } from '../../entry/Choice';
import type { FormSpec } from '../../entry/draft';
import { SaveLine } from '../../entry/SaveLine';
import { useAttempt } from '../../entry/useAttempt';
import { useEntryForm } from '../../entry/useEntryForm';
import { useReading } from '../../words/useReading';
import { entryOf, rootstockKey, standingRootstock, standingVariety, stockEntryOf, varietyKey } from './ownEntries';
import { numbers, units, type NumberField } from './varietyNumbers';

/** Shows a catalogue just saved; every plan rests on it. */
function useShowCatalogue() {
  const client = useQueryClient();
  return async (saved: Promise<CatalogueView>) => {
    client.setQueryData(['catalogue'], await saved);
  };
}

const spec: FormSpec = {
  name: 'text',
  cropDensityLow: 'number',
  cropDensityHigh: 'number',
  setShare: 'number',
  setShareSd: 'number',
  fruitMassG: 'number',
  source: 'text',
};

/** A variety as the estate knows it. */
export function VarietyForm({
  variety,
  crop,
  onDone,
}: {
  variety: CatalogueVariety | null;
  crop: string;
  onDone: () => void;
}) {
  const { t, number } = useReading();
  const show = useShowCatalogue();
  const version = variety?.version ?? 0;
  const remove = () =>
    show(
      answered(api.DELETE('/api/v1/catalogue/varieties/{name}', { params: { path: { name: variety?.name ?? '' } } })),
    );
  const form = useEntryForm<VarietyEntry>({
    of: varietyKey(variety?.name ?? ''),
    section: 'variety',
    spec,
    standing: variety && standingVariety(variety),
    usual: variety ? { ...entryOf(variety), source: '' } : { name: '', source: '', biennialProne: false },
    put: (entry) =>
      show(answered(api.PUT('/api/v1/catalogue/varieties', { body: { version, variety: { ...entry, crop } } }))),
    remove,
    onSaved: onDone,
  });
  const removing = useRemoving(remove, onDone);
  const { fields, chosen, choose } = form;
  const hint = (field: NumberField) => {
    const shipped = variety?.shipped?.[field];
    return shipped
      ? `${t('catalogue.shipped', { value: number(shipped.value) })} · ${t(shipped.source, { defaultValue: shipped.source })}`
      : undefined;
  };
  return (
    <aside className="sheet">
      <form
        className="catalogue-form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          form.save();
        }}
      >
        <h2>{variety ? variety.name : t('catalogue.add')}</h2>
        {!variety && fields.input('name', [], { numeric: false })}
        {numbers.map((n) =>
          fields.input(n, [units[n]], {
            label: t(
              n === 'cropDensityHigh'
                ? 'catalogue.cropDensityTo'
                : n === 'setShareSd'
                  ? 'catalogue.setShareSdOf'
                  : `catalogue.${n}`,
            ),
            hint: hint(n),
          }),
        )}
        <div className="field">
          <span className="field-label">{t('catalogue.biennial')}</span>
          <Choice
            label={t('catalogue.biennial')}
            value={chosen.biennialProne ? 'yes' : 'no'}
            onChange={(v) => {
              choose({ biennialProne: v === 'yes' });
            }}
            options={[
              { value: 'no', label: t('no') },
              { value: 'yes', label: t('yes') },
            ]}
          />
        </div>
        {fields.input('source', [], { numeric: false, label: t('catalogue.source'), hint: t('catalogue.source-hint') })}
        <SaveLine of={form} test="save-variety" wrong={removing.failure} onClose={onDone}>
          {variety && version > 0 && (
            <Button disabled={removing.busy} onClick={removing.remove} data-test="back-to-shipped">
              {t(variety.shipped ? 'catalogue.back' : 'catalogue.remove')}
            </Button>
          )}
        </SaveLine>
      </form>
    </aside>
  );
}

/** Takes the estate's own away. */
function useRemoving(remove: () => Promise<unknown>, onDone: () => void) {
  const client = useQueryClient();
  const { failure, busy, attempt } = useAttempt();
  return {
    failure,
    busy,
    remove: () =>
      void attempt(async () => {
        await remove();
        onDone();
        await client.invalidateQueries();
      }),
  };
}

const stockSpec: FormSpec = { name: 'text', vigourPercent: 'number', source: 'text' };
const stockTraits = {
  precocity: ['early', 'moderate', 'late'],
  hardiness: ['tender', 'moderate', 'hardy'],
  suckering: ['few', 'some', 'many'],
} as const;

/** A rootstock as the estate knows it. */
export function RootstockForm({
  rootstock,
  crop,
  onDone,
}: {
  rootstock: CatalogueRootstock | null;
  crop: string;
  onDone: () => void;
}) {
  const { t, number } = useReading();
  const show = useShowCatalogue();
  const version = rootstock?.version ?? 0;
  const remove = () =>
    show(
      answered(
        api.DELETE('/api/v1/catalogue/rootstocks/{name}', { params: { path: { name: rootstock?.name ?? '' } } }),
      ),
    );
  const form = useEntryForm<RootstockEntry>({
    of: rootstockKey(rootstock?.name ?? ''),
    section: 'rootstock',
    spec: stockSpec,
    standing: rootstock && standingRootstock(rootstock),
    usual: rootstock
      ? { ...stockEntryOf(rootstock), source: '' }
      : { name: '', source: '', precocity: 'moderate', hardiness: 'moderate', suckering: 'few' },
    put: (entry) =>
      show(answered(api.PUT('/api/v1/catalogue/rootstocks', { body: { version, rootstock: { ...entry, crop } } }))),
    remove,
    onSaved: onDone,
  });
  const removing = useRemoving(remove, onDone);
  const { fields, chosen, choose } = form;
  const shipped = rootstock?.shipped?.vigourPercent;
  return (
    <aside className="sheet">
      <form
        className="catalogue-form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          form.save();
        }}
      >
        <h2>{rootstock ? rootstock.name : t('catalogue.add-rootstock')}</h2>
        {!rootstock && fields.input('name', [], { numeric: false })}
        {fields.input('vigourPercent', ['%'], {
          label: t('catalogue.vigour'),
          hint:
            shipped &&
            `${t('catalogue.shipped', { value: number(shipped.value) })} · ${t(shipped.source, { defaultValue: shipped.source })}`,
        })}
        {(Object.keys(stockTraits) as (keyof typeof stockTraits)[]).map((trait) => (
          <div className="field" key={trait}>
            <span className="field-label">{t(`catalogue.${trait}`)}</span>
            <Choice
              label={t(`catalogue.${trait}`)}
              value={chosen[trait] ?? ''}
              onChange={(v) => {
                choose({ [trait]: v });
              }}
              options={stockTraits[trait].map((v) => ({ value: v, label: t(`trait.${trait}.${v}`) }))}
            />
          </div>
        ))}
        {fields.input('source', [], { numeric: false, label: t('catalogue.source'), hint: t('catalogue.source-hint') })}
        <SaveLine of={form} test="save-rootstock" wrong={removing.failure} onClose={onDone}>
          {rootstock && version > 0 && (
            <Button disabled={removing.busy} onClick={removing.remove} data-test="back-to-shipped">
              {t(rootstock.shipped ? 'catalogue.back' : 'catalogue.remove')}
            </Button>
          )}
        </SaveLine>
      </form>
    </aside>
  );
}
