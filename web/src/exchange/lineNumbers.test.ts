import { expect, test } from 'vitest';
import { readLines, writeLines } from './lineNumbers';

test('lines are listed as people list them', () => {
  expect(readLines('3, 17-19')).toEqual([3, 17, 18, 19]);
  expect(readLines('19–17')).toBeNull();
  expect(readLines(' 5;5 4 ')).toEqual([4, 5]);
  expect(readLines('')).toEqual([]);
  expect(readLines('all')).toBeNull();
  expect(readLines('1-999999')).toBeNull();
});

test('and written so', () => {
  expect(writeLines([19, 3, 17, 18])).toBe('3, 17-19');
  expect(writeLines([])).toBe('');
});
