import { expect, test } from 'vitest';
import { foretoldMarks } from './foretold';

const season = { season: 2024, foretold: 0.6, low: 0.5, high: 0.7, seen: 0.9 };

test('seasons stand evenly, higher shares higher, and nothing outside', () => {
  const { marks, shipped } = foretoldMarks([season, { ...season, seen: 0.4 }], 0.62, 200, 100);
  expect(marks.map((m) => m.x)).toEqual([50, 150]);
  for (const m of marks) {
    expect(m.high).toBeLessThan(m.foretold);
    expect(m.foretold).toBeLessThan(m.low);
    for (const y of [m.high, m.low, m.seen, shipped!]) {
      expect(y).toBeGreaterThanOrEqual(0);
      expect(y).toBeLessThanOrEqual(100);
    }
  }
  expect(marks[0]!.seen).toBeLessThan(marks[0]!.high);
  expect(marks[1]!.seen).toBeGreaterThan(marks[1]!.low);
});

test('seasons of centimetres stand as well, without a usual number', () => {
  const { marks, shipped } = foretoldMarks(
    [{ season: 2024, foretold: 15, low: 14, high: 16, seen: 15.4 }],
    null,
    80,
    60,
  );
  expect(shipped).toBeNull();
  expect(marks[0]!.high).toBeCloseTo(5, 6);
  expect(marks[0]!.low).toBeCloseTo(55, 6);
});
