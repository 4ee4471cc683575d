import { expect, test } from 'vitest';
import type { KeptKit, Queued } from '../../../field/queue';
import { nextOfWalk, overBloom, ownCounts } from './cropTrees';

const route = [
  { row: 1, tree: 3 },
  { row: 2, tree: 9 },
  { row: 4, tree: 1 },
];
const bloom = (row: number, tree: number, clusters: number) =>
  ({ point: 'bloom', row, tree, clusters, fruit: null }) as const;

test('the walk goes on where it is not counted at this point of the year', () => {
  const counted = [bloom(1, 3, 120)];
  expect(nextOfWalk(route, counted, 'bloom')).toEqual({ next: route[1], done: 1 });
  expect(nextOfWalk(route, counted, 'set')).toEqual({ next: route[0], done: 0 });
  expect(nextOfWalk(route.slice(0, 1), counted, 'bloom').next).toBeNull();
});

test('more clusters with fruit than were in bloom are asked for twice', () => {
  const counted = [bloom(1, 3, 100)];
  expect(overBloom(counted, { row: 1, tree: 3 }, 130, 1.25)).toBe(100);
  expect(overBloom(counted, { row: 1, tree: 3 }, 125, 1.25)).toBeNull();
  expect(overBloom(counted, { row: 1, tree: 4 }, 500, 1.25)).toBeNull();
});

test('what was sent before the kit was taken, refused or replaced counts no more', () => {
  const kept = { kit: { season: 2027 }, at: '2027-05-02T10:00:00Z' } as unknown as KeptKit;
  const made = (id: string, standing: string, at: string, supersedes: string | null = null, season = 2027) =>
    ({
      id,
      standing,
      at,
      entry: { kind: 'crop', body: { point: 'set', clusters: 90 }, row: 1, tree: 3, season, supersedes },
    }) as unknown as Queued;
  const own = ownCounts(kept, [
    made('known', 'sent', '2027-05-02T09:00:00Z'),
    made('later', 'sent', '2027-05-02T11:00:00Z'),
    made('refused', 'refused', '2027-05-02T11:00:00Z'),
    made('replaced', 'waiting', '2027-05-02T11:00:00Z'),
    made('other', 'waiting', '2027-05-02T11:00:00Z', 'replaced'),
    made('past', 'waiting', '2027-05-02T11:00:00Z', null, 2026),
  ]);
  expect(own.map((o) => o.id)).toEqual(['later', 'other']);
  expect(own[0]!.count).toEqual({ point: 'set', row: 1, tree: 3, clusters: 90, fruit: null });
});
