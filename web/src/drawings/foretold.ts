/** A season as foretold and as seen, in shares. */
export interface Foretold {
  season: number;
  foretold: number;
  low: number;
  high: number;
  seen: number;
}

export interface ForetoldMark {
  x: number;
  low: number;
  high: number;
  foretold: number;
  seen: number;
}

const MARGIN = 0.04;

/** Where seasons stand side by side, all of what was foretold and seen within the height. */
export function foretoldMarks(
  seasons: readonly Foretold[],
  shipped: number,
  width: number,
  height: number,
): { marks: ForetoldMark[]; shipped: number } {
  const all = [shipped, ...seasons.flatMap((s) => [s.low, s.high, s.seen])];
  const from = Math.max(0, Math.min(...all) - MARGIN);
  const to = Math.min(1, Math.max(...all) + MARGIN);
  const y = (share: number) => height - ((share - from) / (to - from)) * height;
  const step = width / Math.max(1, seasons.length);
  return {
    marks: seasons.map((s, i) => ({
      x: (i + 0.5) * step,
      low: y(s.low),
      high: y(s.high),
      foretold: y(s.foretold),
      seen: y(s.seen),
    })),
    shipped: y(shipped),
  };
}
