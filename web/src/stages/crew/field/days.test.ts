import { describe, expect, it } from 'vitest';
import type { TodayTurn, TodayView } from '../../../api/client';
import { daysOf } from './days';

const turn = (pass: string, first: string, last: string, crew = 'a') =>
  ({ planting: 'p', pass, first, last, crew }) as TodayTurn;

const view = {
  turns: [
    turn('later', '2027-02-03', '2027-02-05'),
    turn('now', '2027-01-25', '2027-01-29'),
    turn('one day', '2027-01-27', '2027-01-27'),
    turn('over', '2027-01-20', '2027-01-26'),
    turn('of others', '2027-01-27', '2027-01-27', 'b'),
  ],
} as TodayView;

describe('the days of a crew', () => {
  it('are parted by today, in their order, of one crew alone', () => {
    const { now, before, next } = daysOf(view, 'a', '2027-01-27');
    expect(now.map((w) => w.pass)).toEqual(['now', 'one day']);
    expect(before.map((w) => w.pass)).toEqual(['over']);
    expect(next.map((w) => w.pass)).toEqual(['later']);
  });

  it('go on without signal as the days go', () => {
    expect(daysOf(view, 'a', '2027-02-04').now.map((w) => w.pass)).toEqual(['later']);
    expect(daysOf(view, 'a', '2027-02-04').before).toHaveLength(3);
  });
});
