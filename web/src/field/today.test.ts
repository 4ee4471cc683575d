import { expect, test } from 'vitest';
import { todayOf } from './today';

test('a day taken along goes on while there is no signal', () => {
  const taken = '2026-11-30T09:00:00Z';
  expect(todayOf('2027-01-27', taken, new Date('2026-11-30T23:00:00Z'))).toBe('2027-01-27');
  expect(todayOf('2027-01-27', taken, new Date('2026-12-05T01:00:00Z'))).toBe('2027-02-01');
  // A clock set back does not graft in the past.
  expect(todayOf('2027-01-27', taken, new Date('2026-11-01T01:00:00Z'))).toBe('2027-01-27');
});
