import { expect, test } from 'vitest';
import type { DaysOfPlanting, DaysView } from '../../api/client';
import { dayOf, spanOf, toNote } from './typedDays';

const planting = (id: string, day: string | null, basis: DaysOfPlanting['basis']): DaysOfPlanting => ({
  id,
  code: id,
  name: id,
  version: 7,
  day,
  basis,
});
const noted = planting('A', '2027-03-12', 'recorded');
const expected = planting('B', '2027-03-15', 'variety');
const unknown = planting('C', null, null);
const view: DaysView = {
  today: '2027-03-14',
  anchor: 'greenTip',
  noted: 1,
  plantings: 3,
  groups: [{ site: 'Mill', variety: 'Topaz', plantings: [noted, expected, unknown] }],
};

test('what is expected is not taken for noted', () => {
  expect(dayOf([noted], new Map())).toBe('2027-03-12');
  expect(dayOf([expected], new Map())).toBe('');
  expect(dayOf([noted, expected], new Map())).toBe('');
});

test('a day typed for a line is noted where it is not noted so already', () => {
  const typed = new Map(['A', 'B', 'C'].map((id) => [id, '2027-03-12']));
  expect(dayOf([noted, expected, unknown], typed)).toBe('2027-03-12');
  expect(toNote(view, typed).map((n) => [n.planting, n.version, n.anchor, n.day])).toEqual([
    ['B', 7, 'greenTip', '2027-03-12'],
    ['C', 7, 'greenTip', '2027-03-12'],
  ]);
});

test('a day emptied is taken back', () => {
  expect(toNote(view, new Map([['A', '']])).map((n) => [n.planting, n.day])).toEqual([['A', null]]);
  expect(toNote(view, new Map([['B', '']]))).toEqual([]);
});

test('days of a line lie between the first and the last', () => {
  expect(spanOf([expected, noted, unknown])).toEqual({ first: '2027-03-12', last: '2027-03-15' });
  expect(spanOf([unknown])).toBeNull();
});
