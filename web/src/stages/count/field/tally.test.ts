import { expect, test } from 'vitest';
import {
  digit,
  emptyTally,
  fromCounted,
  limbsOf,
  nextLimb,
  setDiameter,
  setForked,
  sign,
  tap,
  toCounted,
  total,
  unsign,
  undo,
} from './tally';

const read = (text: string) => (text === '' ? null : Number(text));

test('a tree is counted limb by limb', () => {
  let tally = emptyTally('floral', true);
  tally = tap(tap(tally, 'floral'), 'floral', 5);
  tally = nextLimb(setForked(setDiameter(tally, '14'), true));
  tally = tap(tally, 'floral');
  expect(total(tally)).toBe(7);
  expect(toCounted({ ...tally, girth: '16.5' }, [], read, 'cm')).toEqual({
    floralBuds: 7,
    girth: { value: 16.5, unit: 'cm' },
    limbs: 2,
    note: null,
    limbSizes: [
      { diameter: { value: 14, unit: 'mm' }, forked: true, buds: 6 },
      { diameter: null, forked: false, buds: 1 },
    ],
  });
});

test('undo goes back through limbs and never below the empty tree', () => {
  let tally = nextLimb(tap(emptyTally('floral', true), 'floral', 3));
  tally = undo(undo(tally));
  expect(total(tally)).toBe(0);
  expect(undo(tally)).toBe(tally);
});

test('an empty limb that was ended is a limb, one merely begun is none', () => {
  expect(limbsOf(nextLimb(emptyTally('floral', true)))).toHaveLength(1);
  expect(limbsOf(emptyTally('floral', true))).toHaveLength(0);
});

test('kinds are sent apart and zero is said', () => {
  const tally = tap(tap(emptyTally('kinds', false), 'spur', 40), 'terminal', 3);
  expect(toCounted(tally, ['spur', 'terminal', 'lateral'], read, 'cm').kinds).toEqual([
    { kind: 'spur', buds: 40 },
    { kind: 'terminal', buds: 3 },
    { kind: 'lateral', buds: 0 },
  ]);
});

test('digits make a number', () => {
  const tally = digit(digit(digit(emptyTally('all', false), 'any', 1), 'any', 8), 'any', 2);
  expect(total(tally)).toBe(182);
  expect(total(undo(tally))).toBe(18);
});

test('digits make a number, and begin anew after taps', () => {
  const start = emptyTally('floral', false);
  expect(total(digit(digit(start, 'floral', 8), 'floral', 7))).toBe(87);
  let tally = tap(start, 'floral', 87);
  tally = digit(digit(tally, 'floral', 9), 'floral', 2);
  expect(total(tally)).toBe(92);
  expect(total(tap(tally, 'floral'))).toBe(93);
  expect(total(digit(tap(tally, 'floral'), 'floral', 5))).toBe(5);
  expect(total(undo(undo(tally)))).toBe(87);
});

test('a tree sent before is taken up as it was', () => {
  let tally = nextLimb(setForked(setDiameter(tap(emptyTally('floral', true), 'floral', 6), '14'), true));
  tally = { ...tap(tally, 'floral', 2), girth: '16.5', note: 'leans' };
  const sent = toCounted(tally, [], read, 'cm');
  expect(toCounted(fromCounted(sent, String), [], read, 'cm')).toEqual(sent);
  const kinds = ['spur', 'terminal'];
  const byKinds = toCounted(tap(emptyTally('kinds', false), 'spur', 9), kinds, read, 'cm');
  expect(toCounted(fromCounted(byKinds, String), kinds, read, 'cm')).toEqual(byKinds);
});

test('types measures on the pad, one decimal sign at most', () => {
  const typed = (signs: string) => [...signs].reduce((now, s) => sign(now, 'girth', s), emptyTally('floral', true));
  expect(typed('15.5').girth).toBe('15.5');
  expect(typed('15..5.').girth).toBe('15.5');
  expect(typed('.5').girth).toBe('5');
  expect(typed('123456789').girth).toBe('123456');
  expect(unsign(typed('15.5'), 'girth').girth).toBe('15.');
  expect(sign(emptyTally('floral', true), 'diameter', '9').limbs[0]!.diameter).toBe('9');
});

test('the age of a limb is typed on the pad and sent with it alone', () => {
  let tally = emptyTally('floral', true);
  tally = sign(sign(sign(sign(tally, 'age', '1'), 'age', ','), 'age', '2'), 'age', '9');
  expect(tally.limbs[0]!.age).toBe('12');
  tally = unsign(tally, 'age');
  expect(limbsOf(tally)).toHaveLength(1);
  const sizes = toCounted(nextLimb(tally), [], read, 'cm').limbSizes!;
  expect(sizes.map((limb) => limb.age)).toEqual([1]);
  expect(toCounted(tap(emptyTally('floral', true), 'floral'), [], read, 'cm').limbSizes![0]).not.toHaveProperty('age');
});
