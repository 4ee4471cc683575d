import { describe, expect, it } from 'vitest';
import { rowNumbers, rowsTold } from './rowNumbers';

describe('rows as they are written', () => {
  it('are read with their runs, in any order and once', () => {
    expect(rowNumbers('1-4, 7')).toEqual([1, 2, 3, 4, 7]);
    expect(rowNumbers('7 – 9;2 3, 8')).toEqual([2, 3, 7, 8, 9]);
    expect(rowNumbers('')).toEqual([]);
  });

  it('are none where they are no rows', () => {
    expect(rowNumbers('seven')).toBeNull();
    expect(rowNumbers('5-3')).toBeNull();
    expect(rowNumbers('1-99999')).toBeNull();
  });

  it('are told short and read back', () => {
    const rows = [1, 2, 3, 5, 8, 9];
    expect(rowsTold(rows)).toBe('1–3, 5, 8–9');
    expect(rowNumbers(rowsTold(rows))).toEqual(rows);
  });
});
