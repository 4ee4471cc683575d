import { describe, expect, it } from 'vitest';
import type { KitCheck } from '../../../api/client';
import type { KeptKit, Queued } from '../../../field/queue';
import { against, checkedPlaces, checkedToday, classOf, nextTree, ownChecks } from './nextTree';

const asked = (name: string, fromGirthCm: number | null, toGirthCm: number | null, number: number) => ({
  name,
  fromGirthCm,
  toGirthCm,
  number,
  least: number - 10,
  most: number + 10,
  budsPerCm2: null,
});

const kit: KitCheck = {
  passes: ['winter'],
  classes: [asked('small', null, 12, 150), asked('large', 12, null, 220)],
  tolerance: 0.1,
  byGauge: false,
  rows: [
    { row: 1, trees: [17, 4, 30], due: 1 },
    { row: 2, trees: [9, 22], due: 0 },
    { row: 3, trees: [5], due: 1 },
  ],
  checked: [{ row: 1, tree: 17, pass: 'winter', day: '2027-01-28', pruner: 'p', afterPruning: false }],
  leastADay: 3,
  believed: 3,
  verdict: null,
  hands: [],
  pruners: [],
};

const set = (...keys: string[]) => new Set(keys);

describe('the next tree', () => {
  it('is one that is due in a row that is done', () => {
    expect(nextTree(kit, new Set([1]), set(), set())).toEqual({ row: 1, tree: 17, isDue: true });
    expect(nextTree(kit, new Set([1, 3]), set('1/17'), set())).toEqual({ row: 3, tree: 5, isDue: true });
  });

  it('is one more where fewest were checked when none is due', () => {
    expect(nextTree(kit, new Set([1, 2]), set('1/17'), set())).toEqual({ row: 2, tree: 9, isDue: false });
  });

  it('is another of the row where the tree is gone', () => {
    expect(nextTree(kit, new Set([1]), set(), set('1/17'))).toEqual({ row: 1, tree: 4, isDue: true });
  });

  it('is none before a row is done, and none where all drawn are checked', () => {
    expect(nextTree(kit, new Set(), set(), set())).toBeNull();
    expect(nextTree(kit, new Set([2]), set('2/9', '2/22'), set())).toBeNull();
  });
});

describe('checks of this device', () => {
  const kept = { id: 'x', estate: 'e', at: '2027-01-28T10:00:00Z', kit: { season: 2027 } } as unknown as KeptKit;
  const made = (id: string, standing: string, at: string, supersedes: string | null = null) =>
    ({
      id,
      standing,
      at,
      entry: {
        row: 2,
        tree: 9,
        season: 2027,
        supersedes,
        kind: supersedes ? undefined : 'check',
        body: { pass: 'winter', day: '2027-01-28', pruner: 'p' },
      },
    }) as unknown as Queued;

  it('count until the kit knows them, and not once taken back', () => {
    const waiting = made('a', 'waiting', '2027-01-28T09:00:00Z');
    const known = made('b', 'sent', '2027-01-28T09:00:00Z');
    expect(ownChecks(kept, [waiting, known]).map((c) => c.id)).toEqual(['a']);
    expect(ownChecks(kept, [waiting, made('c', 'waiting', '2027-01-28T09:30:00Z', 'a')])).toEqual([]);
    const own = ownChecks(kept, [waiting]);
    expect(checkedPlaces(kit, own, 'winter')).toEqual(set('1/17', '2/9'));
    expect(checkedToday(kit, own, 'p', '2027-01-28')).toBe(2);
  });
});

describe('the class', () => {
  it('is told by the girth, else by name', () => {
    expect(classOf(kit, 11.9, '')?.name).toBe('small');
    expect(classOf(kit, 12, '')?.name).toBe('large');
    expect(classOf(kit, null, 'small')?.name).toBe('small');
    expect(classOf(kit, null, '')).toBeNull();
  });

  it('has a band', () => {
    const large = kit.classes[1]!;
    expect([209, 210, 230, 231].map((n) => against(large, n))).toEqual(['under', 'within', 'within', 'over']);
    expect(against({ number: null, least: null, most: null }, 5)).toBeNull();
  });
});
