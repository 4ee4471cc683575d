import { describe, expect, it } from 'vitest';
import type { BareLeader } from '../api/client';
import { leaderLayout } from './leaderLayout';

const leader = {
  lengthCm: 100,
  bandsCm: [25, 75],
  buds: [
    { number: 1, belowTipCm: 0, azimuthDeg: 0, fate: 'topOff' },
    { number: 2, belowTipCm: 50, azimuthDeg: 90, fate: 'kept' },
    { number: 3, belowTipCm: 100, azimuthDeg: 270, fate: 'off' },
  ],
} as unknown as BareLeader;

describe('a bare leader laid out', () => {
  const { buds, bands, marks } = leaderLayout(leader, 200, 430, 'metric');
  const bud = (number: number) => buds.find((b) => b.bud.number === number)!;

  it('stands tip up, evenly spread', () => {
    expect(bud(1).y).toBeLessThan(bud(2).y);
    expect(bud(2).y - bud(1).y).toBeCloseTo(bud(3).y - bud(2).y);
    expect(bud(3).y).toBeLessThan(430);
  });

  it('has each bud on its side', () => {
    expect(bud(2).x).toBeGreaterThan(100);
    expect(bud(3).x).toBeLessThan(100);
    expect(bud(1).x).toBeCloseTo(100);
  });

  it('has bands at their place and marks every 20 cm or 8 in', () => {
    expect(bands.map((b) => b.y)).toEqual([bud(1).y + 100, bud(1).y + 300]);
    expect(marks.map((m) => m.told)).toEqual(['0 cm', '20 cm', '40 cm', '60 cm', '80 cm', '100 cm']);
    expect(leaderLayout(leader, 200, 430, 'us').marks.map((m) => m.told)).toContain('32 in');
  });
});
