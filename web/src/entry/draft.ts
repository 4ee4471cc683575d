import type { Amount } from '../api/client';
import type { Locale } from '../units/format';
import { firstUnit, type Typing } from '../units/system';
import { parseNumber, toInput } from '../units/parse';

/** What stands in one input: text as typed, and the unit chosen beside it. */
export interface FieldText {
  text: string;
  unit?: string;
}

/** The inputs of a form by the path of their field, such as `packages.box`. */
export type Draft = Record<string, FieldText>;

/**
 * How each field of a form is typed: an amount with its first metric unit, a plain number, a text, or one of some
 * names.
 */
export type FormSpec = Record<string, { amount: string } | 'number' | 'text' | 'choice'>;

/** A draft read into an entry; `unreadable` are the paths whose text is no number. */
export interface Read<E> {
  entry: E;
  unreadable: string[];
}

/** The draft that shows an entry. */
export function toDraft(spec: FormSpec, entry: object, { language, system }: Typing): Draft {
  return Object.fromEntries(
    Object.entries(spec).map(([path, kind]) => {
      const value = path
        .split('.')
        .reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], entry);
      if (kind === 'text' || kind === 'choice') return [path, { text: (value as string | null | undefined) ?? '' }];
      if (kind === 'number') return [path, { text: toInput(value as number | null | undefined, language) }];
      const amount = value as Amount | null | undefined;
      return [path, { text: toInput(amount?.value, language), unit: amount?.unit ?? firstUnit(kind.amount, system) }];
    }),
  );
}

/** The entry a draft amounts to. */
export function readDraft<E>(spec: FormSpec, draft: Draft, language: Locale): Read<E> {
  const entry: Record<string, unknown> = {};
  const unreadable: string[] = [];
  for (const [path, kind] of Object.entries(spec)) {
    const field = draft[path] ?? { text: '' };
    const put = (value: unknown) => {
      setAt(entry, path.split('.'), value);
    };
    if (kind === 'text') {
      put(field.text);
      continue;
    }
    if (kind === 'choice') {
      put(field.text === '' ? null : field.text);
      continue;
    }
    const number = parseNumber(field.text, language);
    if (Number.isNaN(number)) unreadable.push(path);
    const value = Number.isNaN(number) ? null : number;
    put(kind === 'number' ? value : { value, unit: field.unit });
  }
  return { entry: entry as E, unreadable };
}

/** Puts a value at a path of names, making the parts it goes through. */
export function setAt(target: Record<string, unknown>, [key, ...rest]: string[], value: unknown) {
  if (key === undefined) return;
  if (rest.length === 0) target[key] = value;
  else setAt((target[key] ??= {}) as Record<string, unknown>, rest, value);
}
