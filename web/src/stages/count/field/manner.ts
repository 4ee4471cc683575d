import type { CountBy } from './tally';

/** How this device counts, from tree to tree. */
export interface Manner {
  by: CountBy;
  limbwise: boolean;
  pad: boolean;
  /** Whether the age of each limb is told. */
  ages: boolean;
}

const mannerKey = 'rama.count';

/** A number typed for each limb takes a third of the taps of bud by bud, and tells the limbs. */
const usual: Manner = { by: 'floral', limbwise: true, pad: true, ages: false };

/** As chosen on this device before. */
export function readManner(): Manner {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(mannerKey) ?? '{}') as Partial<Manner>) };
  } catch {
    return usual;
  }
}

/** Counts so from now on. */
export function keepManner(manner: Manner) {
  localStorage.setItem(mannerKey, JSON.stringify(manner));
}
