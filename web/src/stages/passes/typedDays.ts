import type { DaysOfPlanting, DaysView, PlantingDay } from '../../api/client';

/** Days typed, by planting; empty where one is taken back. */
export type Typed = ReadonlyMap<string, string>;

const notedAt = (planting: DaysOfPlanting) => (planting.basis === 'recorded' ? (planting.day ?? '') : '');

/** Days noted, by planting; empty where none is. */
export const notedIn = ({ groups }: DaysView): Record<string, string> =>
  Object.fromEntries(groups.flatMap((g) => g.plantings).map((p) => [p.id, notedAt(p)]));

/** The day that stands at all of these plantings; empty where they differ or none does. */
export function dayOf(plantings: DaysOfPlanting[], typed: Typed): string {
  const days = new Set(plantings.map((p) => typed.get(p.id) ?? notedAt(p)));
  return days.size === 1 ? [...days][0]! : '';
}

/** The first and last day of these plantings; null where none has one. */
export function spanOf(plantings: DaysOfPlanting[]): { first: string; last: string } | null {
  const days = plantings.flatMap((p) => p.day ?? []).sort();
  return days.length === 0 ? null : { first: days[0]!, last: days.at(-1)! };
}

/** What is to be saved: what was typed and is not noted so already. */
export function toNote({ anchor, groups }: DaysView, typed: Typed): PlantingDay[] {
  return groups
    .flatMap((g) => g.plantings)
    .filter((p) => (typed.get(p.id) ?? notedAt(p)) !== notedAt(p))
    .map((p) => ({ planting: p.id, version: p.version, anchor, day: typed.get(p.id) || null }));
}
