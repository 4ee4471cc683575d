import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
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
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { useAttempt } from '../../entry/useAttempt';
import { useReading } from '../../words/useReading';
import { numbers, units, type NumberField } from './varietyNumbers';

/** Shows a catalogue just saved; every plan rests on it. */
function useShowCatalogue(onDone: () => void) {
  const client = useQueryClient();
  return async (next: CatalogueView) => {
    client.setQueryData(['catalogue'], next);
    // Before anything else is waited for: the next form may already be opened.
    onDone();
    await client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'catalogue' });
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
  const reading = useReading();
  const { t, language, number } = reading;
  const { problem, unreadable, failure, busy, attempt } = useAttempt();
  const [draft, setDraft] = useState<Draft>(() => {
    const from = variety?.current;
    return toDraft(
      spec,
      { name: variety?.name ?? '', ...Object.fromEntries(numbers.map((n) => [n, from?.[n]?.value])), source: '' },
      reading,
    );
  });
  const [biennial, setBiennial] = useState(variety?.current.traits.biennialProne ?? false);
  const show = useShowCatalogue(onDone);
  const save = () => {
    const { entry, unreadable: bad } = readDraft<VarietyEntry>(spec, draft, language);
    if (bad.length > 0) {
      unreadable(bad);
      return;
    }
    void attempt(async () => {
      await show(
        await answered(
          api.PUT('/api/v1/catalogue/varieties', {
            body: { version: variety?.version ?? 0, variety: { ...entry, crop, biennialProne: biennial } },
          }),
        ),
      );
    });
  };
  const remove = () =>
    attempt(async () => {
      await show(
        await answered(api.DELETE('/api/v1/catalogue/varieties/{name}', { params: { path: { name: variety!.name } } })),
      );
    });
  const form = fieldControls('variety', draft, setDraft, problem, t, save);
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
          save();
        }}
      >
        <h2>{variety ? variety.name : t('catalogue.add')}</h2>
        {!variety && form.input('name', [], { numeric: false })}
        {numbers.map((n) =>
          form.input(n, [units[n]], {
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
            value={biennial ? 'yes' : 'no'}
            onChange={(v) => {
              setBiennial(v === 'yes');
            }}
            options={[
              { value: 'no', label: t('no') },
              { value: 'yes', label: t('yes') },
            ]}
          />
        </div>
        {form.input('source', [], { numeric: false, label: t('catalogue.source'), hint: t('catalogue.source-hint') })}
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
        <div className="save-bar">
          <Button type="primary" htmlType="submit" loading={busy} data-test="save-variety">
            {t('save')}
          </Button>
          <Button onClick={onDone}>{t('new.cancel')}</Button>
          {variety && variety.version > 0 && (
            <Button onClick={() => void remove()} data-test="back-to-shipped">
              {t(variety.shipped ? 'catalogue.back' : 'catalogue.remove')}
            </Button>
          )}
        </div>
      </form>
    </aside>
  );
}

const stockSpec: FormSpec = { name: 'text', vigourPercent: 'number', source: 'text' };
const stockTraits = {
  precocity: ['early', 'moderate', 'late'],
  hardiness: ['tender', 'moderate', 'hardy'],
  suckering: ['few', 'some', 'many'],
} as const;
type StockTraits = Pick<CatalogueRootstock['current'], keyof typeof stockTraits>;

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
  const reading = useReading();
  const { t, language, number } = reading;
  const { problem, unreadable, failure, busy, attempt } = useAttempt();
  const [draft, setDraft] = useState<Draft>(() =>
    toDraft(
      stockSpec,
      { name: rootstock?.name ?? '', vigourPercent: rootstock?.current.vigourPercent.value, source: '' },
      reading,
    ),
  );
  const [traits, setTraits] = useState<StockTraits>(
    rootstock?.current ?? { precocity: 'moderate', hardiness: 'moderate', suckering: 'few' },
  );
  const show = useShowCatalogue(onDone);
  const save = () => {
    const { entry, unreadable: bad } = readDraft<RootstockEntry>(stockSpec, draft, language);
    if (bad.length > 0) {
      unreadable(bad);
      return;
    }
    const { precocity, hardiness, suckering } = traits;
    void attempt(async () => {
      await show(
        await answered(
          api.PUT('/api/v1/catalogue/rootstocks', {
            body: { version: rootstock?.version ?? 0, rootstock: { ...entry, crop, precocity, hardiness, suckering } },
          }),
        ),
      );
    });
  };
  const remove = () =>
    attempt(async () => {
      await show(
        await answered(
          api.DELETE('/api/v1/catalogue/rootstocks/{name}', { params: { path: { name: rootstock!.name } } }),
        ),
      );
    });
  const form = fieldControls('rootstock', draft, setDraft, problem, t, save);
  const shipped = rootstock?.shipped?.vigourPercent;
  return (
    <aside className="sheet">
      <form
        className="catalogue-form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <h2>{rootstock ? rootstock.name : t('catalogue.add-rootstock')}</h2>
        {!rootstock && form.input('name', [], { numeric: false })}
        {form.input('vigourPercent', ['%'], {
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
              value={traits[trait]}
              onChange={(v) => {
                setTraits({ ...traits, [trait]: v });
              }}
              options={stockTraits[trait].map((v) => ({ value: v, label: t(`trait.${trait}.${v}`) }))}
            />
          </div>
        ))}
        {form.input('source', [], { numeric: false, label: t('catalogue.source'), hint: t('catalogue.source-hint') })}
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
        <div className="save-bar">
          <Button type="primary" htmlType="submit" loading={busy} data-test="save-rootstock">
            {t('save')}
          </Button>
          <Button onClick={onDone}>{t('new.cancel')}</Button>
          {rootstock && rootstock.version > 0 && (
            <Button onClick={() => void remove()} data-test="back-to-shipped">
              {t(rootstock.shipped ? 'catalogue.back' : 'catalogue.remove')}
            </Button>
          )}
        </div>
      </form>
    </aside>
  );
}
