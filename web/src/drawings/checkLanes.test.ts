import { describe, expect, it } from 'vitest';
import { dotsOf, heightOf, REACH } from './checkLanes';

describe('a lane of checks', () => {
  it('has what was asked in its middle, and as much more and less as far off', () => {
    expect(heightOf(1, 60)).toBe(30);
    expect(heightOf(Math.exp(REACH), 60)).toBeCloseTo(0);
    expect(heightOf(Math.exp(-REACH), 60)).toBeCloseTo(60);
    expect(heightOf(1.2, 60) - 30).toBeCloseTo(30 - heightOf(1 / 1.2, 60));
  });

  it('keeps what lies beyond at its edge, and says so', () => {
    const [none, wild, fair] = dotsOf(
      [
        { place: 0, share: 0 },
        { place: 1, share: 9 },
        { place: 2, share: 1 },
      ],
      3,
      300,
      60,
    );
    expect(none).toEqual({ x: 50, y: 60, isBeyond: true });
    expect(wild).toEqual({ x: 150, y: 0, isBeyond: true });
    expect(fair).toEqual({ x: 250, y: 30, isBeyond: false });
  });
});
