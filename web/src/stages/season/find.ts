import type { SeasonLine, Stage } from '../../api/client';

/**
 * Whether a planting answers to what was typed in the find box: every word in its code, name, site, variety or stock.
 */
export function matches(
  line: Pick<SeasonLine, 'code' | 'name' | 'site' | 'block' | 'variety' | 'rootstock'>,
  find: string,
): boolean {
  const text = plain(`${line.code} ${line.name} ${line.site} ${line.block} ${line.variety} ${line.rootstock}`);
  return plain(find)
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** The planting to go on with: the first in the order of the work at the earliest stage. */
export function nextToDo<T extends { stage: Stage }>(lines: T[]): T | undefined {
  const order: Stage[] = ['target', 'count', 'decide', 'prescribe'];
  return order.map((stage) => lines.find((l) => l.stage === stage)).find((l) => l !== undefined);
}

/** What the list can be narrowed to and put together by. */
export const facets = ['site', 'variety', 'system', 'stage'] as const;
export type Facet = (typeof facets)[number];

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
    const members = groups.get(line[facet]);
    if (members) members.push(line);
    else groups.set(line[facet], [line]);
  }
  return [...groups].flatMap(([name, members]) => [
    { kind: 'group', name, lines: members } as Item,
    ...members.map((line): Item => ({ kind: 'line', line })),
  ]);
}

function plain(text: string) {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
