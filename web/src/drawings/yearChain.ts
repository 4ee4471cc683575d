/** Where bars of a chain stand: wanted is a full bar, what came its share of it, and both fit. */
export interface ChainBar {
  wanted: number;
  came: number;
}

// A crop twice the one wanted is drawn as no more than this, so that the others stay readable.
const MOST = 1.6;

/** Lengths of the bars in a width, by what came ÷ wanted; a step not counted has none. */
export function barsOf(shares: readonly (number | null)[], width: number): (ChainBar | null)[] {
  const longest = Math.max(1, ...shares.map((s) => Math.min(s ?? 0, MOST)));
  const full = width / longest;
  return shares.map((s) => (s === null ? null : { wanted: full, came: full * Math.min(s, MOST) }));
}
