import { expect, test } from 'vitest';
import { cellAt, fitted, scaleOf, stepOf, zoomed } from './rowSheet';

test('the whole sheet fits and lies in the middle', () => {
  expect(fitted(1000, 500, 200, 50)).toEqual({ cell: 5, x: 0, y: 125 });
});

test('a zoom leaves the cell under the pointer where it is', () => {
  const view = { cell: 5, x: 10, y: 20 };
  const next = zoomed(view, 2, 137, 64);
  expect(cellAt(next, 137, 64)).toEqual(cellAt(view, 137, 64));
  expect(zoomed(view, 1_000, 0, 0).cell).toBe(40);
});

test('a value falls into its step, the ends included', () => {
  expect([0, 24.9, 25, 100, 130, -5].map((v) => stepOf(v, 0, 100, 4))).toEqual([0, 0, 1, 3, 3, 0]);
  expect(stepOf(7, 7, 7, 4)).toBe(0);
});

test('odd trees do not stretch the scale', () => {
  expect(scaleOf([...Array.from({ length: 99 }, (_, i) => i + 1), 10_000])).toEqual([3, 98]);
});
