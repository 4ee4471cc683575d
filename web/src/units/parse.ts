import { decimalOf, type Locale } from './format';

/**
 * Reads a number as a person types it. Point and comma are both understood: the language's own decimal sign always,
 * the other one where it cannot be a thousands sign. Null for empty text, NaN for what is no number.
 */
export function parseNumber(text: string, language: Locale): number | null {
  const typed = text
    .trim()
    .replace(/[\s\u00a0\u202f]/g, '')
    .replace('−', '-');
  if (typed === '') return null;
  const [decimal, group] = decimalOf(language) === ',' ? [',', '.'] : ['.', ','];
  const grouped = new RegExp(`^-?[1-9]\\d{0,2}(\\${group}\\d{3})+(\\${decimal}\\d*)?$`);
  const plain = /^-?(\d+([.,]\d*)?|[.,]\d+)$/;
  if (grouped.test(typed)) return Number(typed.replaceAll(group, '').replace(decimal, '.'));
  return plain.test(typed) ? Number(typed.replace(',', '.')) : NaN;
}

/** Writes a number into an input as the language does, with all its digits and no grouping. */
export function toInput(value: number | null | undefined, language: Locale): string {
  if (value === null || value === undefined) return '';
  return decimalOf(language) === ',' ? String(value).replace('.', ',') : String(value);
}
