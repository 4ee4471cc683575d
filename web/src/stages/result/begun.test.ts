import { expect, test } from 'vitest';
import type { CheckView, PlantingView } from '../../api/client';
import { begun } from './begun';

const typing = { language: 'en', system: 'metric' } as const;
const view = {
  season: 2027,
  start: { season: 2027, wanted: { budsLeft: 208 }, counts: { budsBefore: 229, how: { budsBefore: { trees: 8 } } } },
} as unknown as PlantingView;

test('a record begins with what was wanted, and with what the walk after pruning found left', () => {
  const says = { afterPruning: { trees: 14, left: 250.66, halfWidth: 16.9 } } as unknown as CheckView['says'];
  expect(begun(view, says, typing)).toMatchObject({
    season: '2027',
    budsLeft: '251',
    'wanted.budsLeft': '208',
    'counts.budsBefore': '229',
    'counts.how.budsBefore.trees': '8',
    'counts.how.budsLeft.trees': '14',
    'counts.how.budsLeft.halfWidth': '17',
  });
});

test('without a walk nothing is said of what was left', () =>
  expect(begun(view, null, typing)).toMatchObject({ budsLeft: '', 'counts.how.budsLeft.trees': '' }));
