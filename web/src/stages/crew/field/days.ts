import type { TodayTurn, TodayView } from '../../../api/client';

/** What was taken along of the crew plan. */
export interface KeptToday {
  view: TodayView;
  at: string;
}

/** Work of a crew: what it is on today, what was to be done by now, and what comes. */
export function daysOf({ turns }: TodayView, crew: string, today: string) {
  const mine = turns.filter((w) => w.crew === crew).sort((a, b) => a.first.localeCompare(b.first));
  return {
    now: mine.filter((w) => w.first <= today && w.last >= today),
    // The plan was made before today: whether it was done nobody told yet.
    before: mine.filter((w) => w.last < today),
    next: mine.filter((w) => w.first > today),
  };
}

/** Works on one planting in the same days are one line: who goes there does both. */
export const keyOf = (turn: TodayTurn) => `${turn.planting} ${turn.pass} ${turn.first}`;
