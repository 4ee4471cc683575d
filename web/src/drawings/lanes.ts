/** Where work lies on a line of days: pure arithmetic, half-days to pixels. */
export interface LaneScale {
  /** Width of a half-day. */
  half: number;
  /** Half-days shown. */
  halves: number;
  /** Pixels from the left edge of the days. */
  x: (half: number) => number;
}

const NARROWEST = 7;
const MARGIN_DAYS = 4;

/** A scale that shows all work and some days after it, no half-day narrower than can be hit. */
export function laneScale(width: number, lastHalf: number): LaneScale {
  const halves = lastHalf + MARGIN_DAYS * 2;
  const half = Math.max(NARROWEST, width / halves);
  return { half, halves, x: (h) => h * half };
}

/** Half-days from one day to another. */
export function halvesBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000) * 2;
}

/** A day some days after another. */
export function dayAfter(day: string, days: number): string {
  return new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);
}

/** Mondays from a day on, as half-days after it. */
export function mondays(start: string, halves: number): { day: string; half: number }[] {
  const weekday = (new Date(Date.parse(start)).getUTCDay() + 6) % 7;
  const found: { day: string; half: number }[] = [];
  for (let days = (7 - weekday) % 7; days * 2 < halves; days += 7)
    found.push({ day: dayAfter(start, days), half: days * 2 });
  return found;
}
