import type { FieldKit, SeasonLine } from '../api/client';

/** A planting of the list in the row; without its kit while that is still on its way. */
export interface PlantingToCount {
  id: string;
  code: string;
  name: string;
  variety: string;
  kit?: FieldKit;
}

/**
 * What is listed in the row: the plantings of the season and those taken along before, in one order from the start,
 * so that nothing moves under the thumb while their kits arrive.
 */
export function plantingsOf(season: SeasonLine[], kits: { id: string; kit: FieldKit }[]): PlantingToCount[] {
  const listed = new Map<string, PlantingToCount>(
    season.map(({ id, code, name, variety }) => [id, { id, code, name, variety }]),
  );
  for (const { id, kit } of kits) listed.set(id, { id, code: kit.code, name: kit.name, variety: kit.variety, kit });
  return [...listed.values()].sort((a, b) => a.code.localeCompare(b.code, undefined, { numeric: true }));
}
