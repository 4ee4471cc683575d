import { describe, expect, it } from 'vitest';
import { formatAmount, formatNumber } from './format';
import { shownAs } from './system';

describe('amounts in the reader’s units', () => {
  // NIST Special Publication 811, appendix B: exact definitions of foot, inch, pound, ounce, acre, short ton.
  it.each([
    ['m', 0.3048, 'ft', 1],
    ['cm', 2.54, 'in', 1],
    ['kg', 0.45359237, 'lb', 1],
    ['g', 28.349523125, 'oz', 1],
    ['ha', 0.40468564224, 'ac', 1],
  ])('%s as US units', (unit, value, us, expected) => {
    const shown = shownAs(unit, 'us');
    expect(shown.unit).toBe(us);
    expect(value * shown.factor).toBeCloseTo(expected, 12);
  });

  // 3 × 12 ft is 1 210 trees an acre (standard spacing tables), 2 989.97 a hectare: 1 210 ÷ 0.40468564224.
  it('trees per hectare as trees per acre', () =>
    expect(formatAmount(2989.97, 'tree/ha', 'us', 'en', 0)).toEqual({ number: '1,210', unit: 'tree/ac' }));

  // 1 t/ha = 0.446 short tons an acre: 1 000 kg ÷ 907.18474 × 0.40468564224.
  it('tonnes per hectare as short tons per acre', () =>
    expect(formatAmount(60, 't/ha', 'us', 'en', 1)).toEqual({ number: '26.8', unit: 'ton/ac' }));

  it('a share as per cent in either system', () =>
    expect(formatAmount(0.88, 'share', 'metric', 'en')).toEqual({ number: '88', unit: '%' }));

  it('writes decimals and groups as the language does', () => {
    expect(formatNumber(2925.4, 'en', 1)).toBe('2,925.4');
    expect(formatNumber(2925.4, 'es', 1)).toBe('2.925,4');
  });

  it('shows no more digits than a person needs', () =>
    expect([122.67, 11.04, 1.8].map((v) => formatNumber(v, 'en'))).toEqual(['123', '11', '1.8']));

  // What is shown of a step has to give its result again, to the digits the result is shown with.
  it('shows digits enough to work a step out again', () => {
    const shown = (value: number) => Number(formatNumber(value, 'en', 'to-check').replaceAll(',', ''));
    expect(shown(192.4) - shown(182.6)).toBeCloseTo(9.8, 2);
    // 11.9 t on fruit of 11.44 g at 85.5 % packed: 11.44 and 85.5 shown as 11 and 85 made 1 272 of 1 216.
    expect((shown(11.9e6) / shown(11.44)) * shown(0.855)).toBeCloseTo((11.9e6 / 11.44) * 0.855, -2);
    const told = [1234.56, 123.456, 12.3456, 1.23456, 0.123456].map((v) => formatNumber(v, 'en', 'to-check'));
    expect(told).toEqual(['1,235', '123.5', '12.35', '1.235', '0.1235']);
  });

  // Definition of the Fahrenheit scale: 0 °C is 32 °F, −40 are the same; a difference of 5 K is one of 9 °F.
  it('tells weather in the units of the reader', () => {
    const us = (value: number, unit: string) => formatAmount(value, unit, 'us', 'en', 1);
    expect(us(0, '°C')).toEqual({ number: '32.0', unit: '°F' });
    expect(us(-40, '°C').number).toBe('-40.0');
    expect(us(50, '°C-days')).toEqual({ number: '90.0', unit: '°F-days' });
    // NIST Special Publication 811: an inch is 25.4 mm, a mile an hour 0.44704 m/s.
    expect(us(25.4, 'mm/day')).toEqual({ number: '1.0', unit: 'in/day' });
    expect(us(4.4704, 'm/s')).toEqual({ number: '10.0', unit: 'mph' });
    expect(formatNumber(-0.2, 'en', 0)).toBe('0');
  });

  it('tells a thickness in eighths of an inch, never none', () =>
    expect([6, 9.5, 22, 30, 160].map((mm) => formatAmount(mm, 'mm', 'us', 'en', 0).number)).toEqual([
      '1/4',
      '3/8',
      '7/8',
      '1 1/8',
      '6',
    ]));
});
