import { expect, test } from 'vitest';
import { doubtsOf } from './doubts';
import { emptyTally, tap } from './tally';

const kit = { budsFrom: 80, budsTo: 500 };
const counted = (buds: number) => tap(emptyTally('floral', false), 'floral', buds);
const fine = { oddGirth: false, earlier: null };
const about = (...asked: Parameters<typeof doubtsOf>) => doubtsOf(...asked).map((d) => d.about);

test('a usual tree is not asked about', () => {
  expect(about(counted(180), kit, fine)).toEqual([]);
  expect(about(counted(80), kit, fine)).toEqual([]);
});

test('an empty tree, an unlikely count, an odd girth and a tree counted before are asked about', () => {
  expect(about(counted(0), kit, fine)).toEqual(['empty']);
  expect(about(counted(8_792), kit, fine)).toEqual(['buds']);
  expect(about(counted(9), kit, { oddGirth: true, earlier: { buds: 170 } })).toEqual(['buds', 'girth', 'again']);
});

test('what an older server has not told is not asked about, nor all buds by the measure of floral ones', () => {
  expect(about(counted(8_792), { budsFrom: null, budsTo: null }, fine)).toEqual([]);
  expect(about(tap(emptyTally('all', false), 'any', 900), kit, fine)).toEqual([]);
});
