import type { Locale } from './format';

/** How a person types: language decides the decimal sign, system the first unit. */
export interface Typing {
  language: Locale;
  system: UnitSystem;
}

/** The two systems a person may read amounts in. */
export type UnitSystem = 'metric' | 'us';

/** One unit of the API shown as another: multiply by the factor, and add the offset where it has another zero. */
interface Shown {
  unit: string;
  factor: number;
  offset?: number;
}

export const M_PER_FT = 0.3048;
const KG_PER_LB = 0.45359237;
const HA_PER_AC = (43_560 * M_PER_FT * M_PER_FT) / 10_000;
const KG_PER_TON = 2_000 * KG_PER_LB;

/** How answers, which are SI, are shown to someone who reads US customary units. What is not listed stays as it is. */
const us: Record<string, Shown> = {
  m: { unit: 'ft', factor: 1 / M_PER_FT },
  cm: { unit: 'in', factor: 1 / 2.54 },
  ha: { unit: 'ac', factor: 1 / HA_PER_AC },
  g: { unit: 'oz', factor: 16 / (KG_PER_LB * 1_000) },
  'cm/year': { unit: 'in/year', factor: 1 / 2.54 },
  'cm/10%': { unit: 'in/10%', factor: 1 / 2.54 },
  'g/(fruit/cm²)': { unit: 'oz/(fruit/cm²)', factor: 16 / (KG_PER_LB * 1_000) },
  kg: { unit: 'lb', factor: 1 / KG_PER_LB },
  t: { unit: 'ton', factor: 1_000 / KG_PER_TON },
  'kg/tree': { unit: 'lb/tree', factor: 1 / KG_PER_LB },
  'kg/ha': { unit: 'lb/ac', factor: HA_PER_AC / KG_PER_LB },
  't/ha': { unit: 'ton/ac', factor: (HA_PER_AC * 1_000) / KG_PER_TON },
  mm: { unit: 'in', factor: 1 / 25.4 },
  'cm²': { unit: 'in²', factor: 1 / 6.4516 },
  '°C': { unit: '°F', factor: 1.8, offset: 32 },
  '°C-days': { unit: '°F-days', factor: 1.8 },
  'mm/day': { unit: 'in/day', factor: 1 / 25.4 },
  'm/s': { unit: 'mph', factor: 1 / 0.44704 },
  'tree/ha': { unit: 'tree/ac', factor: HA_PER_AC },
  'h/ha': { unit: 'h/ac', factor: HA_PER_AC },
};

/** The unit an amount is first typed in, given the metric one. */
export const firstUnit = (metric: string, system: UnitSystem) => (system === 'us' && us[metric]?.unit) || metric;

/** A value of the API told per hectare or tonne, per what a reader knows instead. */
export const toldPer = (value: number, unit: 'ha' | 't', system: UnitSystem) => value / shownAs(unit, system).factor;

/** The unit a value of the API is shown in, and how it is worked out from it. */
export function shownAs(unit: string, system: UnitSystem): Shown {
  if (unit === 'share') return { unit: '%', factor: 100 };
  // Money is not converted, the area or mass it is told per is.
  const per = /^([A-Z]{3})\/(ha|kg)$/.exec(unit);
  if (per && system === 'us')
    return per[2] === 'ha' ? { unit: `${per[1]}/ac`, factor: HA_PER_AC } : { unit: `${per[1]}/lb`, factor: KG_PER_LB };
  return (system === 'us' && us[unit]) || { unit, factor: 1 };
}
