import type { ChangeView } from '../../api/client';

/** Changes in the reader's words: a value by itself, or all of a row that came or went. */
export interface HistoryWords {
  t: (key: string, values?: Record<string, unknown>) => string;
  number: (value: number) => string;
  unitName: (unit: string) => string;
  day: (day: Date) => string;
}

const amount = /^(-?\d+(?:\.\d+)?)(?: (\S+))?$/;
const day = /^\d{4}-\d{2}-\d{2}$/;
/** Fields whose numbers are no quantities. */
const plain = new Set([
  'season',
  'yearPlanted',
  'row',
  'tree',
  'code',
  'firstTree',
  'start',
  'changeFrom',
  'trueToName',
  'doneSeason',
  'scaffold',
]);

export function inWords(field: string, value: string, words: HistoryWords): string {
  const { t } = words;
  if (field === '')
    return value
      .split('; ')
      .map((part) => {
        const [, name, rest] = /^([^:]+): (.*)$/s.exec(part) ?? [];
        return name === undefined ? part : `${fieldName(name, t)}: ${inWords(name, rest!, words)}`;
      })
      .join('; ');
  const read = plain.has(field) ? null : amount.exec(value);
  if (read) {
    const unit = read[2] === undefined ? '' : words.unitName(read[2]);
    return `${words.number(Number(read[1]))}${unit && ` ${unit}`}`;
  }
  if (day.test(value)) return words.day(new Date(`${value}T00:00`));
  return t(`value.${value}`, { defaultValue: t(`school.${value}`, { defaultValue: value }) });
}

/** A field by its last part where the whole path has no name of its own, one of a list by its number. */
export function fieldName(field: string, t: HistoryWords['t']): string {
  const [, list, place, rest] = /^(\w+)\[(\d+)\](?:\.(.+))?$/.exec(field) ?? [];
  if (list !== undefined)
    return [`${fieldName(list, t)} ${place}`, rest && t(`field.${list}.${rest}`, { defaultValue: fieldName(rest, t) })]
      .filter(Boolean)
      .join(' · ');
  return t(`field.${field}`, { defaultValue: t(`field.${field.split('.').at(-1)!}`, { defaultValue: field }) });
}

/** One line for all that one save changed of a thing, and one for all that an import changed. */
export function grouped(changes: ChangeView[]): ChangeView[][] {
  const groups: ChangeView[][] = [];
  for (const change of changes) {
    const last = groups.at(-1)?.[0];
    if (last && isTogether(last, change)) groups.at(-1)!.push(change);
    else groups.push([change]);
  }
  return groups;
}

const isTogether = (one: ChangeView, other: ChangeView) =>
  one.batch !== null || other.batch !== null
    ? one.batch === other.batch
    : one.at === other.at &&
      one.subject === other.subject &&
      one.detail === other.detail &&
      one.season === other.season;
