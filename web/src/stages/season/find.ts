import type { SeasonLine, Stage } from '../../api/client';

/**
 * Whether a planting answers to what was typed in the find box: every word in its code, name, site, variety, stock or
 * own columns.
 */
export function matches(
  line: Pick<SeasonLine, 'code' | 'name' | 'site' | 'block' | 'variety' | 'rootstock' | 'free'>,
  find: string,
): boolean {
  const own = line.free.map((f) => f.written).join(' ');
  const text = plain(`${line.code} ${line.name} ${line.site} ${line.block} ${line.variety} ${line.rootstock} ${own}`);
  const words = text.split(/[\s/]+/);
  return (
    plain(find)
      .split(/\s+/)
      // "Chapel 1" is not Chapel 21: a number begins where a number begins.
      .every((word) => (/^\d+$/.test(word) ? words.some((w) => hasNumber(w, word)) : text.includes(word)))
  );
}

const hasNumber = (word: string, number: string) => new RegExp(`(^|\\D)${number}(\\D|$)`).test(word);

/** The planting to go on with: the first in the order of the work at the earliest stage. */
export function nextToDo<T extends { stage: Stage; isPending: boolean }>(lines: T[]): T | undefined {
  return stages.map((stage) => lines.find((l) => l.stage === stage && !l.isPending)).find((l) => l !== undefined);
}

/** What plantings come to. */
export interface Total {
  plantings: number;
  areaHa: number;
  hours: number;
}

/** Plantings, ground and hours of work of a list. */
export const totalOf = (lines: Pick<SeasonLine, 'areaHa' | 'work'>[]): Total => ({
  plantings: lines.length,
  areaHa: lines.reduce((sum, l) => sum + (l.areaHa ?? 0), 0),
  hours: lines.reduce((sum, l) => sum + (l.work?.hours ?? 0), 0),
});

/** What is at each stage, in the order of the work; stages without a planting are left out. */
export const stageTotals = (lines: Pick<SeasonLine, 'stage' | 'areaHa' | 'work'>[]): (Total & { of: Stage })[] =>
  stages
    .map((of) => ({ of, ...totalOf(lines.filter((l) => l.stage === of)) }))
    .filter(({ plantings }) => plantings > 0);

const stages: Stage[] = ['target', 'count', 'decide', 'prescribe'];

/** What the list can be narrowed to and put together by. */
export const facets = ['site', 'variety', 'system', 'stage'] as const;
export type Facet = (typeof facets)[number] | `free:${string}`;

const isFree = (facet: Facet): facet is `free:${string}` => facet.startsWith('free:');

/** What a planting has of a facet; empty where it has nothing. */
export const valueOf = (line: SeasonLine, facet: Facet): string =>
  isFree(facet)
    ? (line.free.find((f) => f.name === facet.slice('free:'.length))?.written ?? '')
    : String(line[facet as (typeof facets)[number]]);

/** Most values a column of one's own has to be chosen from; with more it is found by typing. */
const MOST_VALUES = 40;

/** Columns of the estate's own that the list can be narrowed to and put together by. */
export function freeFacets(lines: SeasonLine[]): Facet[] {
  const values = new Map<string, Set<string>>();
  for (const { free } of lines)
    for (const { name, written } of free) values.set(name!, (values.get(name!) ?? new Set()).add(written ?? ''));
  return [...values].filter(([, v]) => v.size <= MOST_VALUES).map(([name]): Facet => `free:${name}`);
}

/** How the list can be sorted; the order of the work is how it comes. */
export const sorts = ['work', 'code', 'late', 'area', 'hours'] as const;
export type Sort = (typeof sorts)[number];

/** Sorts plantings; equal ones keep the order of the work. */
export function sorted(lines: SeasonLine[], sort: Sort): SeasonLine[] {
  const by: Record<Sort, ((a: SeasonLine, b: SeasonLine) => number) | null> = {
    work: null,
    code: (a, b) => a.code.localeCompare(b.code, undefined, { numeric: true }),
    late: (a, b) => (b.work?.daysLate ?? -1) - (a.work?.daysLate ?? -1),
    area: (a, b) => (b.areaHa ?? 0) - (a.areaHa ?? 0),
    hours: (a, b) => (b.work?.hours ?? 0) - (a.work?.hours ?? 0),
  };
  const compare = by[sort];
  return compare ? lines.toSorted(compare) : lines;
}

/** The list as it is drawn: headings of groups, each with its lines. */
export type Item = { kind: 'group'; name: string; lines: SeasonLine[] } | { kind: 'line'; line: SeasonLine };

/** Puts plantings together by a facet, groups in the order of their first planting. */
export function grouped(lines: SeasonLine[], facet: Facet | null): Item[] {
  if (facet === null) return lines.map((line) => ({ kind: 'line', line }));
  const groups = new Map<string, SeasonLine[]>();
  for (const line of lines) {
    const value = valueOf(line, facet);
    const members = groups.get(value);
    if (members) members.push(line);
    else groups.set(value, [line]);
  }
  return [...groups].flatMap(([name, members]) => [
    { kind: 'group', name, lines: members } as Item,
    ...members.map((line): Item => ({ kind: 'line', line })),
  ]);
}

function plain(text: string) {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
