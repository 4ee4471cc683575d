import { expect, test } from 'vitest';
import { merge } from './merge';

const t = (value: number | null) => ({ value, unit: 't/ha' });

test('what one left as it was, the other may have changed', () => {
  const base = { yield: t(50), limbs: 20, insurance: { school: 'fixed', reached: null as number | null } };
  const mine = { ...base, yield: t(55) };
  const theirs = { ...base, limbs: 22, insurance: { school: 'chance', reached: 90 } };
  expect(merge(base, mine, theirs)).toEqual({
    entry: { yield: t(55), limbs: 22, insurance: { school: 'chance', reached: 90 } },
    clashes: [],
    taken: ['limbs', 'insurance'],
  });
});

test('only what both changed, and differently, is asked', () => {
  const base = { yield: t(50), limbs: 20, size: 180 };
  const mine = { yield: t(55), limbs: 22, size: 190 };
  const theirs = { yield: t(60), limbs: 22, size: 180 };
  const asked = merge(base, mine, theirs);
  expect(asked.clashes).toEqual([{ path: 'yield', mine: t(55), theirs: t(60) }]);
  expect(merge(base, mine, theirs, { yield: 'theirs' }).entry).toEqual({ yield: t(60), limbs: 22, size: 190 });
  expect(merge(base, mine, theirs, { yield: 'mine' }).entry).toEqual({ yield: t(55), limbs: 22, size: 190 });
});

test('an amount is one value, and one without a number is none', () => {
  const pounds = { value: 5, unit: 'lb' };
  expect(merge({ box: t(5) }, { box: pounds }, { box: t(6) }).clashes).toHaveLength(1);
  expect(merge({ box: t(null) }, { box: { value: null, unit: 'lb' } }, { box: null }).clashes).toEqual([]);
});

test('trees are known by their place, wherever they stand in the list', () => {
  const tree = (row: number, place: number, buds: number) => ({ row, tree: place, buds });
  const base = { trees: [tree(1, 1, 100), tree(1, 9, 120), tree(2, 4, 90)] };
  // I sort, correct one and take one out; somebody else corrects another, and adds one.
  const mine = { trees: [tree(2, 4, 95), tree(1, 1, 100)] };
  const theirs = { trees: [tree(1, 1, 101), tree(1, 9, 120), tree(2, 4, 90), tree(3, 3, 80)] };
  const { entry, clashes } = merge(base, mine, theirs);
  expect(entry.trees).toEqual([tree(1, 1, 101), tree(2, 4, 95), tree(3, 3, 80)]);
  expect(clashes).toEqual([]);
  // Taken out by one and corrected by the other is for a person.
  const gone = merge(base, mine, { trees: [tree(1, 1, 100), tree(1, 9, 125), tree(2, 4, 90)] });
  expect(gone.clashes.map((c) => c.path)).toEqual(['trees[1/9]']);
});

test('lists whose lines nothing tells apart are one value', () => {
  const fruit = (...masses: number[]) => ({ fruit: masses.map((mass) => ({ mass })) });
  expect(merge(fruit(1, 2), fruit(1, 2, 3), fruit(1, 2)).entry).toEqual(fruit(1, 2, 3));
  expect(merge(fruit(1), fruit(2), fruit(3)).clashes.map((c) => c.path)).toEqual(['fruit']);
  const twice = [
    { row: 1, tree: 1, buds: 1 },
    { row: 1, tree: 1, buds: 2 },
  ];
  expect(merge({ trees: twice }, { trees: twice.slice(1) }, { trees: twice.slice(0, 1) }).clashes).toHaveLength(1);
});

test('undoing takes back what I changed and nothing since', () => {
  const before = { yield: t(50), limbs: 20 };
  const saved = { yield: t(55), limbs: 20 };
  expect(merge(saved, before, { yield: t(55), limbs: 23 }).entry).toEqual({ yield: t(50), limbs: 23 });
  expect(merge(saved, before, { yield: t(58), limbs: 20 }).clashes).toHaveLength(1);
});

test('two changes of any entry come to the same whoever saves first, where they do not clash', () => {
  // A small generator of its own: linear congruential, seeded, so that a failure can be repeated.
  let state = 7;
  const below = (n: number) => ((state = (state * 1_103_515_245 + 12_345) % 2_147_483_648) >> 8) % n;
  const changed = (entry: Record<string, number>) =>
    Object.fromEntries(Object.entries(entry).map(([key, value]) => [key, below(3) === 0 ? below(4) : value]));
  for (let i = 0; i < 500; i++) {
    const base = Object.fromEntries(['a', 'b', 'c', 'd', 'e'].map((key) => [key, below(4)]));
    const [mine, theirs] = [changed(base), changed(base)];
    const [one, other] = [merge(base, mine, theirs), merge(base, theirs, mine)];
    expect(one.clashes.map((c) => c.path)).toEqual(other.clashes.map((c) => c.path));
    for (const key of Object.keys(base)) {
      const isClash = one.clashes.some((c) => c.path === key);
      expect(isClash).toBe(mine[key] !== base[key] && theirs[key] !== base[key] && mine[key] !== theirs[key]);
      if (!isClash) expect(one.entry[key]).toBe(other.entry[key]);
    }
  }
});
