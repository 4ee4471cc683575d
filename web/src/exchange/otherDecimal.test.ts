import { expect, test } from 'vitest';
import type { ImportReport } from '../api/client';
import { otherDecimal } from './otherDecimal';

const report = (...values: string[]) =>
  ({ problems: values.map((value) => ({ line: 2, field: 'area', code: 'text', message: '', value })) }) as ImportReport;

test('values written with the other sign offer it', () => {
  expect(otherDecimal(report('1.234,56', '3,75'), '.')).toBe(',');
  expect(otherDecimal(report('1,234.56', 'about 3'), ',')).toBeNull();
  expect(otherDecimal(report('1,234.56', '3.75', 'about 3'), ',')).toBe('.');
  expect(otherDecimal(report('about 3'), '.')).toBeNull();
  expect(otherDecimal(report(), '.')).toBeNull();
});
