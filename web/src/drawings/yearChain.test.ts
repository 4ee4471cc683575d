import { expect, test } from 'vitest';
import { barsOf } from './yearChain';

test('what was wanted is as long at every step, and the longest bar fills the width', () => {
  expect(barsOf([0.5, null, 1.25], 100)).toEqual([{ wanted: 80, came: 40 }, null, { wanted: 80, came: 100 }]);
});

test('a short year is drawn against a full bar', () => expect(barsOf([0.8], 100)).toEqual([{ wanted: 100, came: 80 }]));

test('a bumper crop does not push the others out', () =>
  expect(barsOf([1, 8], 160)).toEqual([
    { wanted: 100, came: 100 },
    { wanted: 100, came: 160 },
  ]));
