import type { CountBy } from './tally';

/** How this device counts, from tree to tree. */
export interface Manner {
  by: CountBy;
  limbwise: boolean;
  pad: boolean;
}

const mannerKey = 'rama.count';

/** As chosen on this device before. */
export function readManner(): Manner {
  try {
    return {
      by: 'floral',
      limbwise: false,
      pad: false,
      ...(JSON.parse(localStorage.getItem(mannerKey) ?? '{}') as Partial<Manner>),
    };
  } catch {
    return { by: 'floral', limbwise: false, pad: false };
  }
}

/** Counts so from now on. */
export function keepManner(manner: Manner) {
  localStorage.setItem(mannerKey, JSON.stringify(manner));
}
