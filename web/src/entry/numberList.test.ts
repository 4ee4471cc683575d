import { expect, test } from 'vitest';
import { readNumbers, writeNumbers } from './numberList';

test('lines are listed as people list them', () => {
  expect(readNumbers('3, 17-19')).toEqual([3, 17, 18, 19]);
  expect(readNumbers('19–17')).toBeNull();
  expect(readNumbers(' 5;5 4 ')).toEqual([4, 5]);
  expect(readNumbers('')).toEqual([]);
  expect(readNumbers('all')).toBeNull();
  expect(readNumbers('1-999999')).toBeNull();
});

test('and written so', () => {
  expect(writeNumbers([19, 3, 17, 18])).toBe('3, 17-19');
  expect(writeNumbers([])).toBe('');
});
