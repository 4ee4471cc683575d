/** The links of the chain from yield to buds, in its order. */
export const links = ['area', 'tree', 'fruit', 'buds', 'limb'] as const;
export type LinkName = (typeof links)[number];

/** Which link a unit belongs to. */
export function linkOf(unit: string): LinkName {
  if (unit === 'fruit/tree') return 'fruit';
  if (unit === 'bud/tree') return 'buds';
  if (unit === 'bud/limb') return 'limb';
  return unit.endsWith('/tree') ? 'tree' : 'area';
}
