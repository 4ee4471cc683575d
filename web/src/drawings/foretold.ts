/** A season as foretold and as seen, in one unit. */
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

// Of what is shown, left free above and below.
const MARGIN = 0.1;

/** Where seasons stand side by side, all of what was foretold and seen within the height. */
export function foretoldMarks(
  seasons: readonly Foretold[],
  shipped: number | null,
  width: number,
  height: number,
): { marks: ForetoldMark[]; shipped: number | null } {
  const all = [...(shipped === null ? [] : [shipped]), ...seasons.flatMap((s) => [s.low, s.high, s.seen])];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const margin = MARGIN * (most - least);
  const y = (value: number) => height - ((value - least + margin) / (most - least + 2 * margin)) * height;
  const step = width / Math.max(1, seasons.length);
  return {
    marks: seasons.map((s, i) => ({
      x: (i + 0.5) * step,
      low: y(s.low),
      high: y(s.high),
      foretold: y(s.foretold),
      seen: y(s.seen),
    })),
    shipped: shipped === null ? null : y(shipped),
  };
}
