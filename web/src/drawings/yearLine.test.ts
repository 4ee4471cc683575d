import { expect, test } from 'vitest';
import { yearLine } from './yearLine';

test('whole months hold all windows, over the turn of the year', () => {
  const line = yearLine([{ from: '2026-11-26', to: '2027-03-07' }], '2027-01-27');
  expect(line.months.map((m) => `${m.year}-${m.month + 1}`)).toEqual([
    '2026-11',
    '2026-12',
    '2027-1',
    '2027-2',
    '2027-3',
  ]);
  expect(line.months[0]!.from).toBe(0);
  expect(line.months.at(-1)!.to).toBe(1);
  // 30 + 31 + 31 + 28 + 31 = 151 days; 26 November is the 25th day after the first.
  expect(line.at('2026-11-26')).toBeCloseTo(25 / 151, 9);
});
