import { expect, test } from 'vitest';
import type { SeasonLine } from '../../api/client';
import { nextSteps } from './nextSteps';

const line = (id: string, stage: string, known: Partial<SeasonLine['known']> = {}, isInTraining = false) =>
  ({
    id,
    stage,
    isInTraining,
    known: { rows: 0, seasons: 0, girths: 0, canStart: false, lacks: null, ...known },
  }) as SeasonLine;

test('plantings wait for one thing each, in the order of the work', () => {
  const steps = nextSteps([
    line('a', 'target', { seasons: 4, canStart: true }),
    line('b', 'target'),
    line('c', 'count'),
    line('d', 'prescribe'),
    line('e', 'decide'),
    line('young', 'target', {}, true),
  ]);
  expect(steps.map((s) => [s.key, s.lines.map((l) => l.id).join()])).toEqual([
    ['past', 'b'],
    ['targets', 'a'],
    ['target', 'b'],
    ['count', 'c'],
    ['more', 'e'],
    ['cards', 'd'],
  ]);
  expect(steps.at(-1)!.to).toBe('/plantings/d/card');
});

test('a planting that is being worked out waits for nothing yet', () => {
  expect(nextSteps([{ ...line('a', 'target'), isPending: true }, line('b', 'count')]).map((s) => s.key)).toEqual([
    'count',
  ]);
});

test('with nothing to do there is nothing', () => {
  expect(nextSteps([])).toEqual([]);
});
