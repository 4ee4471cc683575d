import { expect, test } from 'vitest';
import { titleOf } from './titleOf';

test('a planting without a name of its own is called once', () => {
  expect(titleOf({ code: 'H4', name: 'Long Acre' })).toBe('H4 Long Acre');
  expect(titleOf({ code: 'A1', name: 'A1' })).toBe('A1');
});
