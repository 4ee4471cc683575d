import { expect, test } from 'vitest';
import type { Queued } from '../../../field/queue';
import { goes, newsOf, openTrees, treeAt, type KitRework } from './rework';

const kit = {
  grafts: [],
  tasks: [],
  ribbons: {},
  trees: [
    { row: 3, tree: 17, standing: 'winter', winter: 1, tasks: ['head'], isDone: false },
    { row: 3, tree: 18, standing: 'winter', winter: 1, tasks: ['head'], isDone: true },
    { row: 3, tree: 19, standing: 'finished', winter: null, tasks: [], isDone: false },
  ],
  toGo: [{ row: 3, trees: [20, 22] }],
  toGoTasks: ['out'],
  known: [
    { version: 7, tree: { row: 3, tree: 17, variety: 'Abate', union: null } },
    { version: 4, tree: { row: 3, tree: 18, variety: 'Abate', doneSeason: 2027 } },
  ],
} as unknown as KitRework;

const told = (standing: Queued['standing'], seen: number, doneSeason: number | null): Queued => ({
  id: 'a',
  sequence: 1,
  estate: 'e',
  planting: 'p',
  at: '',
  standing,
  entry: {
    id: 'a',
    sequence: 1,
    at: '',
    planting: 'p',
    row: 3,
    tree: 17,
    kind: 'rework',
    body: { seen, tree: { row: 3, tree: 17, variety: 'Abate', union: 'holds', doneSeason } },
  },
});

test('what was told here holds until the office knows it', () => {
  expect(treeAt(kit, [], 3, 17)).toMatchObject({ seen: 7, told: null, entry: { union: null } });
  expect(treeAt(kit, [told('waiting', 7, null)], 3, 17)).toMatchObject({ seen: 7, entry: { union: 'holds' } });
  // Sent, and taken along since at a later version: the kit's word holds again.
  expect(treeAt(kit, [told('sent', 6, null)], 3, 17)).toMatchObject({ seen: 7, entry: { union: null } });
  expect(treeAt(kit, [], 9, 1)).toEqual({ seen: 0, entry: null, told: null });
  expect(treeAt(null, [], 3, 17).entry).toBeNull();
});

test('news carries all that is known and the version it was told over', () => {
  expect(newsOf(treeAt(kit, [], 3, 17), 3, 17, { union: 'holds' })).toEqual({
    seen: 7,
    tree: { row: 3, tree: 17, variety: 'Abate', union: 'holds' },
  });
});

test('trees to go are told by row', () => {
  expect([20, 21].map((tree) => goes(kit, 3, tree))).toEqual([true, false]);
  expect(goes(null, 3, 20)).toBe(false);
});

test('done here or there, or finished, a tree is not open', () => {
  expect(openTrees(kit, [], 2027).map((tree) => tree.tree)).toEqual([17]);
  expect(openTrees(kit, [told('waiting', 7, 2026)], 2027).map((tree) => tree.tree)).toEqual([17]);
  expect(openTrees(kit, [told('waiting', 7, 2027)], 2027)).toEqual([]);
});
