import { numberForm } from './forms';
import { shownAs, type UnitSystem } from './system';

/** A language of the screens. */
export type Language = 'en' | 'es';

/** A language with a way of writing numbers and days: each with a point or a comma. */
export type Locale = 'en' | 'en-DE' | 'es' | 'es-MX';

export const locales: Locale[] = ['en', 'en-DE', 'es', 'es-MX'];

/** The language of a locale. */
export const languageOf = (locale: string): Language => (locale.startsWith('es') ? 'es' : 'en');

/** The decimal sign of a locale. */
export const decimalOf = (locale: Locale): '.' | ',' => (locale === 'en' || locale === 'es-MX' ? '.' : ',');

/** The locale of a language with a decimal sign. */
export const localeWith = (language: Language, decimal: '.' | ','): Locale =>
  locales.find((l) => languageOf(l) === language && decimalOf(l) === decimal)!;

/** A locale somebody has chosen; a language alone writes numbers its own way. */
export const localeOf = (chosen: string): Locale => locales.find((l) => l === chosen) ?? languageOf(chosen);

/** So many decimals, or as many as it takes to work a step out again from what is shown: four figures. */
export type Decimals = number | 'to-check';

/** Writes a number as the language does: with just these decimals, or with no more digits than a person needs. */
export function formatNumber(value: number, language: Locale, decimals?: Decimals): string {
  return numberForm(language, {
    minimumFractionDigits: typeof decimals === 'number' ? decimals : 0,
    maximumFractionDigits: decimals === 'to-check' ? decimalsToCheck(value) : (decimals ?? decimalsFor(value)),
    // Spanish groups four digits only if asked to; a column of figures reads better when all are grouped alike.
    useGrouping: 'always',
    // A little under zero is no "-0".
    signDisplay: 'negative',
  }).format(value);
}

/** Number and unit of an API value in the reader's units, apart so that the unit can be set smaller. */
export function formatAmount(
  value: number,
  unit: string,
  system: UnitSystem,
  language: Locale,
  decimals?: Decimals,
): { number: string; unit: string } {
  const shown = shownAs(unit, system);
  // A thickness in inches is read off a tape, in eighths; where it is to be checked, in decimals.
  if (unit === 'mm' && system === 'us' && decimals !== 'to-check')
    return { number: eighths(value * shown.factor), unit: shown.unit };
  return {
    number: formatNumber(value * shown.factor + (shown.offset ?? 0), language, decimals),
    unit: shown.unit === '1' ? '' : shown.unit,
  };
}

/** Inches as a tape shows them: eighths, whole ones from six on. */
function eighths(inches: number): string {
  if (inches >= 6) return String(Math.round(inches));
  const all = Math.max(inches > 0 ? 1 : 0, Math.round(inches * 8));
  const [whole, rest] = [Math.floor(all / 8), all % 8];
  const part = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'][rest]!;
  return whole === 0 ? part || '0' : part === '' ? String(whole) : `${whole} ${part}`;
}

/** Four significant digits, so that who works it out anew comes to the same. */
function decimalsToCheck(value: number): number {
  const size = Math.abs(value);
  return decimalsFor(value) + (size >= 1000 ? 0 : size >= 1 ? 1 : 2);
}

function decimalsFor(value: number): number {
  const size = Math.abs(value);
  return size >= 100 ? 0 : size >= 10 ? 1 : 2;
}
