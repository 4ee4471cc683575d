import { describe, expect, it } from 'vitest';
import type { BudLedger } from '../api/client';
import { layOutLedger } from './ledgerLayout';

const name = { en: 'a', es: 'b' };
const ledger: BudLedger = {
  standing: { mean: 200, low: 180, high: 220 },
  drops: [
    { number: 2, name, drop: 40, after: 160 },
    { number: 3, name, drop: 60, after: 100 },
  ],
  left: { mean: 100, low: 90, high: 110 },
  wanted: 100,
  bandLow: 90,
  bandHigh: 110,
  fruitWanted: 50,
  budFactor: 2,
  tolerance: 0.1,
};

describe('the bud ledger', () => {
  const { columns, band } = layOutLedger(ledger, 400, 0, 220);

  it('draws one unit a bud when 220 units hold 220 buds', () => {
    expect(columns.map((c) => Math.round(c.bottom - c.top))).toEqual([200, 40, 60, 100]);
    expect(band).toEqual({ top: 110, middle: 120, bottom: 130 });
  });

  it('hangs every drop from where the one before ended, down to what is left', () => {
    for (let i = 1; i < columns.length - 1; i++)
      expect(columns[i]!.top).toBeCloseTo(i === 1 ? columns[0]!.top : columns[i - 1]!.bottom);
    expect(columns.at(-2)!.bottom).toBeCloseTo(columns.at(-1)!.top);
  });

  it('keeps columns apart and inside', () => {
    for (let i = 1; i < columns.length; i++)
      expect(columns[i]!.x).toBeGreaterThan(columns[i - 1]!.x + columns[i - 1]!.width);
    expect(columns.at(-1)!.x + columns.at(-1)!.width).toBeLessThanOrEqual(400);
  });

  it('keeps a whisker below zero on the paper', () => {
    const wide = layOutLedger({ ...ledger, standing: { mean: 10, low: -30, high: 50 } }, 400, 0, 220);
    expect(wide.columns[0]!.whiskers!.bottom).toBe(220);
  });

  it('shows only the band before trees are counted', () =>
    expect(layOutLedger({ ...ledger, standing: null, drops: [], left: null }, 400, 0, 220).columns).toEqual([]));
});
