import { describe, expect, it } from 'vitest';
import { parseNumber, toInput } from './parse';

describe('numbers as typed', () => {
  it.each([
    ['3.5', 3.5],
    ['3,5', 3.5],
    ['1,200', 1200],
    ['1,200.5', 1200.5],
    ['0,950', 0.95],
    [' 60 000 ', 60000],
    ['.5', 0.5],
    ['-2', -2],
    ['−2', -2],
  ])('English %s', (text, value) => expect(parseNumber(text, 'en')).toBe(value));

  it.each([
    ['3,5', 3.5],
    ['3.5', 3.5],
    ['1.200', 1200],
    ['1.200,5', 1200.5],
    ['0.950', 0.95],
  ])('Spanish %s', (text, value) => expect(parseNumber(text, 'es')).toBe(value));

  it.each(['abc', '3.5m', '1,2,3', '--1', '1e5', '12:30', '.', '3..5'])('%s is no number', (text) =>
    expect(parseNumber(text, 'en')).toBeNaN(),
  );

  it('empty is nothing entered', () => expect(parseNumber('  ', 'en')).toBeNull());

  it.each(['en', 'es'] as const)('what is written into an input reads back the same in %s', (language) => {
    for (const value of [0.9, 1234.567, 60000, 0.05, 12])
      expect(parseNumber(toInput(value, language), language)).toBe(value);
  });
});
