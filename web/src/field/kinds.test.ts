import { expect, test } from 'vitest';
import { bodyOf } from './kinds';

test('an entry tells what its kind says and nothing else', () => {
  const entry = { kind: 'cut', body: { kind: 'spur', floral: 9, vegetative: 8, dead: 1 } };
  expect(bodyOf(entry, 'cut')?.floral).toBe(9);
  expect(bodyOf(entry, 'tree')).toBeNull();
  expect(bodyOf({ kind: null, supersedes: 'x' }, 'cut')).toBeNull();
});

// As the queue of a phone holds them that was last opened before there were kinds.
test('a queue filled before there were kinds is read as well', () => {
  const untold = { supersedes: null, row: 1, tree: 2, counted: null, skipReason: null, cut: null, mark: null };
  expect(bodyOf({ ...untold, counted: { floralBuds: 180 } }, 'tree')).toEqual({ floralBuds: 180 });
  expect(bodyOf({ ...untold, skipReason: 'broken' }, 'skip')).toBe('broken');
  expect(bodyOf({ ...untold, skipReason: 'broken' }, 'mark')).toBeNull();
  expect(bodyOf({ ...untold, supersedes: 'x' }, 'tree')).toBeNull();
});
