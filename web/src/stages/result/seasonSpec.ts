import { setAt, toDraft, type FormSpec } from '../../entry/draft';
import type { Line } from '../../entry/paste';
import type { SeasonResultEntry } from '../../api/client';
import type { Typing } from '../../units/system';

/** Numbers counted in the course of a season, of which is told how they came about. */
export const counted = [
  'budsBefore',
  'budsLeft',
  'bloomClusters',
  'setClusters',
  'fruitPerTree',
  'returnBuds',
] as const;

const how: FormSpec = Object.fromEntries(
  counted.flatMap((of) => [
    [`counts.how.${of}.trees`, 'number'],
    [`counts.how.${of}.halfWidth`, 'number'],
    [`counts.how.${of}.day`, 'text'],
    [`counts.how.${of}.by`, 'choice'],
    [`counts.how.${of}.who`, 'text'],
  ]),
);

/** What a season says beside the columns of the list of all seasons. */
export const details: FormSpec = {
  'counts.budsBefore': 'number',
  'counts.bloomClusters': 'number',
  'counts.coldLoss': { amount: '%' },
  'counts.setClusters': 'number',
  'counts.fruitPerTree': 'number',
  'counts.girth': { amount: 'cm' },
  'counts.returnBuds': 'number',
  'counts.woodCut': { amount: '%' },
  'counts.shootLength': { amount: 'cm' },
  'counts.uprights': 'number',
  'counts.pricePerKg': 'number',
  'wanted.budsLeft': 'number',
  'wanted.expectedLoss': { amount: '%' },
  'wanted.setShare': { amount: '%' },
  'wanted.fruitPerTree': 'number',
  'wanted.fruitSize': { amount: 'g' },
  'wanted.packOut': { amount: '%' },
  ...how,
};

const paths = Object.keys(details);

/** Fields of a line of which one typed makes it more than empty. */
export const detailColumns: readonly string[] = paths.filter((path) => details[path] !== 'choice');

/** The name an amount's unit goes by in a line. */
export const unitOf = (path: string) => `${path}Unit`;

/** Details of a season as fields of its line. */
export function toLine(season: SeasonResultEntry, typing: Typing): Line {
  return Object.fromEntries(
    Object.entries(toDraft(details, season, typing)).flatMap(([path, { text, unit }]) => [
      [path, text] as const,
      ...(unit === undefined ? [] : [[unitOf(path), unit] as const]),
    ]),
  );
}

/** Details of a season from its line; `number` tells what cannot be read. */
export function fromLine(line: Line, number: (path: string) => number | null): Partial<SeasonResultEntry> {
  const entry = {};
  for (const [path, kind] of Object.entries(details)) {
    const text = line[path]?.trim() ?? '';
    if (text === '') continue;
    setAt(
      entry,
      path.split('.'),
      typeof kind === 'object'
        ? { value: number(path), unit: line[unitOf(path)] }
        : kind === 'number'
          ? number(path)
          : text,
    );
  }
  return entry;
}
