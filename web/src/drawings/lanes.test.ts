import { describe, expect, it } from 'vitest';
import { dayAfter, halvesBetween, laneScale, mondays } from './lanes';

describe('lanes', () => {
  it('shows all work and some days after it', () => {
    const scale = laneScale(1_000, 92);
    expect(scale.halves).toBe(100);
    expect(scale.x(50)).toBe(500);
  });

  it('keeps a half-day wide enough to hit', () => {
    expect(laneScale(100, 692).half).toBe(7);
  });

  it('finds the Mondays after a Wednesday', () => {
    // 27 January 2027 is a Wednesday.
    expect(mondays('2027-01-27', 28)).toEqual([
      { day: '2027-02-01', half: 10 },
      { day: '2027-02-08', half: 24 },
    ]);
  });

  it('goes over the change of the clocks by days', () => {
    expect(halvesBetween('2027-03-27', '2027-03-29')).toBe(4);
    expect(dayAfter('2027-03-27', 2)).toBe('2027-03-29');
  });
});
