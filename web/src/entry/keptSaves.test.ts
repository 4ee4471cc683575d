import { expect, test } from 'vitest';
import { keptSaves } from './keptSaves';

test('what stands next is what a save came to, and later changes of others are not', () => {
  keptSaves.add('site a', { before: { zone: 'UTC', snow: false } });
  keptSaves.tell('site a', { zone: 'UTC', snow: false });
  expect(keptSaves.of('site a')).toEqual([{ before: { zone: 'UTC', snow: false } }]);
  keptSaves.tell('site a', { zone: 'UTC', snow: true });
  keptSaves.tell('site a', { zone: 'Europe/Madrid', snow: true });
  const [save] = keptSaves.of('site a');
  expect(save!.after).toEqual({ zone: 'UTC', snow: true });
  keptSaves.drop('site a', save!);
  expect(keptSaves.of('site a')).toEqual([]);
});

test('saves are kept apart, and no more than fifty of them', () => {
  for (let n = 0; n < 60; n++) keptSaves.add('site b', { before: { n } });
  expect(keptSaves.of('site b')).toHaveLength(50);
  expect(keptSaves.of('site b').at(-1)!.before).toEqual({ n: 59 });
  expect(keptSaves.of('site c')).toEqual([]);
});
