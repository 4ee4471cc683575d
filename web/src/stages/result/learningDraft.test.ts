import { expect, test } from 'vitest';
import type { PlantingView } from '../../api/client';
import { learning, setAside } from './learningDraft';

const choices = [
  { quantity: 'packOut' as const, pinned: { value: 78, unit: '%' }, reason: 'new sorter' },
  { quantity: 'trunkGrowth' as const, pinned: null, reason: 'other trees' },
];
const view = { learning: { choices } } as unknown as PlantingView;
const typing = { language: 'en', system: 'metric' } as const;

test('choices come back as they were saved', () => {
  const draft = learning.from(view, typing);
  expect(setAside(draft)).toEqual(['packOut', 'trunkGrowth']);
  expect(learning.read(draft, 'en')).toEqual({ entry: { choices }, unreadable: [] });
});

test('a pin without a number is a fault at its field, and not the shipped number', () => {
  const draft = learning.from(view, typing);
  for (const text of ['', 'much']) {
    const read = learning.read({ ...draft, 'packOut.pinned': { text, unit: '%' } }, 'en');
    expect(read.unreadable).toEqual(['choices[0].pinned']);
  }
});

test('what follows its seasons is not sent', () => {
  const draft = learning.from(view, typing);
  const read = learning.read({ ...draft, 'packOut.follows': { text: 'seasons' } }, 'en');
  expect(read.entry.choices!.map((c) => c.quantity)).toEqual(['trunkGrowth']);
});
