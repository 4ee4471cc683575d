import { describe, expect, it } from 'vitest';
import type { SeasonLine, Stage } from '../../api/client';
import { freeFacets, grouped, matches, nextToDo, sorted, stageTotals, valueOf } from './find';

const line = {
  code: 'H4',
  name: 'Long Acre 1',
  site: 'Home Farm',
  block: 'H4',
  variety: 'Jonagold',
  rootstock: 'M.9',
  free: [{ name: 'Soil', text: 'heavy clay', written: 'heavy clay' }],
};
const some = (code: string, rest: Partial<SeasonLine>) => ({ ...line, code, ...rest }) as SeasonLine;

describe('finding a planting', () => {
  it.each(['', 'h4', 'acre long', 'jona m.9', 'ácre', 'home', '1', 'acre 1', '9', 'clay'])('answers to "%s"', (find) =>
    expect(matches(line, find)).toBe(true),
  );
  it.each(['h5', 'long pear', '2', '44'])('does not answer to "%s"', (find) => expect(matches(line, find)).toBe(false));
});

it('does not take Chapel 21 for Chapel 1', () => {
  const chapel = some('C21', { name: 'Chapel 21' });
  expect(matches(chapel, 'chapel 1')).toBe(false);
  expect(matches(chapel, 'chapel 21')).toBe(true);
  expect(matches(chapel, 'c2')).toBe(true);
});

it('narrows to columns of the estate that have few values', () => {
  const wells = (written: string) => some('W', { free: [{ name: 'Well', written }] });
  expect(freeFacets([wells('1'), wells('2')])).toEqual(['free:Well']);
  expect(valueOf(wells('2'), 'free:Well')).toBe('2');
  expect(valueOf(some('X', { free: [] }), 'free:Well')).toBe('');
  expect(freeFacets(Array.from({ length: 41 }, (_, i) => wells(String(i))))).toEqual([]);
});

describe('the next thing to do', () => {
  it('is the first planting at the earliest stage', () =>
    expect(
      nextToDo([
        { stage: 'prescribe', id: 1, isPending: false },
        { stage: 'decide', id: 2, isPending: false },
        { stage: 'count', id: 3, isPending: false },
        { stage: 'count', id: 4, isPending: false },
        // Being worked out, it may be further.
        { stage: 'target', id: 5, isPending: true },
      ] as const),
    ).toMatchObject({ id: 3 }));
  it('is nothing when there is nothing', () => expect(nextToDo([])).toBeUndefined());
});

describe('the list of plantings', () => {
  const lines = [
    some('H10', { areaHa: 1, site: 'Home' }),
    some('H2', { areaHa: 3, site: 'Weir' }),
    some('A1', { areaHa: 2, site: 'Home' }),
  ];
  const codes = (all: SeasonLine[]) => all.map((l) => l.code);

  it('keeps the order of the work', () => expect(codes(sorted(lines, 'work'))).toEqual(['H10', 'H2', 'A1']));
  it('sorts codes as people count', () => expect(codes(sorted(lines, 'code'))).toEqual(['A1', 'H2', 'H10']));
  it('puts the largest first', () => expect(codes(sorted(lines, 'area'))).toEqual(['H2', 'A1', 'H10']));
  it('groups in the order of the first planting of each', () =>
    expect(grouped(lines, 'site').map((i) => (i.kind === 'group' ? i.name : i.line.code))).toEqual([
      'Home',
      'H10',
      'A1',
      'Weir',
      'H2',
    ]));
});

it('adds up what is at each stage, in the order of the work', () => {
  const at = (stage: Stage, areaHa: number | null, hours: number | null) =>
    ({ stage, areaHa, work: hours === null ? null : { hours } }) as SeasonLine;
  expect(
    stageTotals([at('prescribe', 2, 100), at('target', 1.5, null), at('prescribe', null, 20), at('target', 0.5, 8)]),
  ).toEqual([
    { of: 'target', plantings: 2, areaHa: 2, hours: 8 },
    { of: 'prescribe', plantings: 2, areaHa: 2, hours: 120 },
  ]);
  expect(stageTotals([])).toEqual([]);
});
