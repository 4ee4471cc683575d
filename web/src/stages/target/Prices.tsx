import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered, type PriceListEntry, type PricesView } from '../../api/client';
import { Field } from '../../entry/Field';
import type { Line } from '../../entry/paste';
import { SaveLine, type Saving } from '../../entry/SaveLine';
import { Sheet } from '../../entry/Sheet';
import { useEntrySaves } from '../../entry/useEntrySaves';
import { useLeaveWarning } from '../../entry/useLeaveWarning';
import { useMay } from '../../people/session';
import { parseNumber, toInput } from '../../units/parse';
import { firstUnit } from '../../units/system';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';

const costs = ['rejectPricePerKg', 'harvestCostPerKg', 'thinningCostPer100'] as const;

interface PriceDraft {
  currency: string;
  cv: string;
  costs: Record<(typeof costs)[number], string>;
  lines: Line[];
}

/** Size classes with their prices and the few costs that move with the crop; kept by variety for the whole estate. */
export function Prices({ variety }: { variety: string }) {
  const stored = useQuery({
    queryKey: ['prices', variety],
    queryFn: () => answered(api.GET('/api/v1/prices/{variety}', { params: { path: { variety } } })),
  });
  return stored.data && <PriceForm key={variety} stored={stored.data} />;
}

function PriceForm({ stored }: { stored: PricesView }) {
  const { t, language, system, unitName, number } = useReading();
  const { variety } = stored;
  const may = useMay();
  const catalogue = useCatalogue();
  const [draft, setDraft] = useState<PriceDraft | null>(null);
  // What stood when the typing began.
  const [base, setBase] = useState<PriceListEntry | null>(null);
  useLeaveWarning(draft !== null);
  const {
    save: store,
    undo,
    forget,
    problem,
    unreadable,
    ...saves
  } = useEntrySaves<PriceListEntry>({
    of: `prices ${variety}`,
    standing: stored.prices,
    put: (prices) =>
      answered(
        api.PUT('/api/v1/prices/{variety}', {
          params: { path: { variety } },
          body: { version: stored.version, prices },
        }),
      ),
  });
  const saving: Saving = {
    ...saves,
    isDirty: draft !== null,
    isSaved: stored.version > 0,
    save: () => void save(),
    discard: () => {
      setDraft(null);
      forget();
    },
    undo: () => void undo(),
  };
  const shown = draft ?? toDraft(stored.prices);
  const set = (next: Partial<PriceDraft>) => {
    if (draft === null) setBase(asTyped(stored.prices));
    setDraft({ ...shown, ...next });
  };
  const usual = catalogue.data?.targetDefaults;
  const sizeUnits = catalogue.data?.fruitSizeUnits ?? ['g'];

  return (
    <details className="desk-more" data-test="prices">
      <summary>
        {t('prices.heading', { variety })}
        <span className="desk-glance">
          {t(stored.version === 0 ? 'prices.assumed' : 'prices.own', { count: shown.lines.length })}
        </span>
      </summary>
      <fieldset className="part" disabled={!may('catalogue')}>
        <p className="small dim">{t('prices.text')}</p>
        <div className="prices">
          <Sheet
            path="prices.classes"
            lines={shown.lines}
            blank={{ fromUnit: firstUnit('g', system) }}
            onLines={(lines) => {
              set({ lines });
            }}
            full
            problem={(line, field) => problem(`classes[${line}].${field}`)}
            columns={[
              { key: 'from', label: t('prices.from') },
              {
                key: 'fromUnit',
                label: t('unit'),
                options: sizeUnits.map((u) => ({ value: u, label: t(`size:${u}`, { defaultValue: unitName(u) }) })),
                wide: 1.3,
              },
              { key: 'pricePerKg', label: t('prices.price', { currency: shown.currency }) },
            ]}
          />
          <div className="fields">
            <Field
              label={t('prices.currency')}
              path="prices.currency"
              text={shown.currency}
              numeric={false}
              onText={(currency) => {
                set({ currency });
              }}
              problem={problem('currency')}
            />
            {costs.map((name) => (
              <Field
                key={name}
                label={t(`prices.${name}`)}
                path={`prices.${name}`}
                text={shown.costs[name]}
                units={[`${shown.currency}${name === 'thinningCostPer100' ? '' : '/kg'}`]}
                problem={problem(name)}
                placeholder={
                  usual &&
                  number(
                    {
                      rejectPricePerKg: usual.rejectPerKg,
                      harvestCostPerKg: usual.harvestPerKg,
                      thinningCostPer100: usual.thinningPer100,
                    }[name],
                  )
                }
                onText={(text) => {
                  set({ costs: { ...shown.costs, [name]: text } });
                }}
              />
            ))}
            <Field
              label={t('prices.cv')}
              path="prices.cv"
              text={shown.cv}
              units={['%']}
              placeholder={usual && number(usual.cv * 100)}
              hint={t('prices.cv-hint')}
              problem={problem('cv')}
              onText={(cv) => {
                set({ cv });
              }}
            />
          </div>
        </div>
        <SaveLine of={saving} test="save-prices" label={t('prices.save', { variety })} />
      </fieldset>
    </details>
  );

  async function save() {
    const { prices: mine, wrong } = readPrices(shown);
    if (wrong.length > 0) {
      unreadable(wrong);
      return;
    }
    const now = asTyped(stored.prices);
    const { saved, left } = await store({ base: base ?? now, mine, now });
    if (left) {
      setDraft(toDraft(left));
      setBase(now);
    }
    if (saved) setDraft(null);
  }

  function asTyped(prices: PriceListEntry): PriceListEntry {
    return readPrices(toDraft(prices)).prices;
  }

  function readPrices({ currency, cv, costs: all, lines }: PriceDraft): { prices: PriceListEntry; wrong: string[] } {
    const wrong: string[] = [];
    const read = (text: string, field: string) => {
      const value = parseNumber(text, language);
      if (Number.isNaN(value)) wrong.push(field);
      return Number.isNaN(value) ? null : value;
    };
    const prices: PriceListEntry = {
      currency,
      classes: lines.map((line, i) => ({
        from: line.from ? { value: read(line.from, `classes[${i}].from`), unit: line.fromUnit ?? 'g' } : null,
        pricePerKg: read(line.pricePerKg ?? '', `classes[${i}].pricePerKg`),
      })),
      rejectPricePerKg: read(all.rejectPricePerKg, 'rejectPricePerKg'),
      harvestCostPerKg: read(all.harvestCostPerKg, 'harvestCostPerKg'),
      thinningCostPer100: read(all.thinningCostPer100, 'thinningCostPer100'),
      cv: { value: read(cv, 'cv'), unit: '%' },
    };
    return { prices, wrong };
  }

  function toDraft(prices: PriceListEntry): PriceDraft {
    return {
      currency: prices.currency ?? '',
      cv: toInput(prices.cv?.value, language),
      costs: {
        rejectPricePerKg: toInput(prices.rejectPricePerKg, language),
        harvestCostPerKg: toInput(prices.harvestCostPerKg, language),
        thinningCostPer100: toInput(prices.thinningCostPer100, language),
      },
      lines: (prices.classes ?? []).map((c) => ({
        from: toInput(c.from?.value, language),
        fromUnit: c.from?.unit ?? firstUnit('g', system),
        pricePerKg: toInput(c.pricePerKg, language),
      })),
    };
  }
}
