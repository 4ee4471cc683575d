import { describe, expect, it } from 'vitest';
import type { SystemPack, TrainingSystem } from '../../../api/client';
import { takeQuestion, takeStep } from './takeOver';

const setting = (id: string, value: number) => ({ id, value });
const from = {
  system: {
    steps: [
      { id: 'thick', pass: 'major' },
      { id: 'low', pass: 'own-pass' },
      { id: 'spurs', pass: 'detail' },
    ],
    settings: [setting('big-from', 18), setting('stub', 2)],
    terms: { 'too-big': 'diameter > big-from' },
    questions: [
      {
        id: 'order',
        options: [
          { id: 'a', leavesOut: ['low', 'spurs'], orders: { thick: 'height up' }, moves: { thick: 'own-pass' } },
          { id: 'b', sequence: ['spurs', 'thick'] },
        ],
      },
    ],
  },
  choices: { passes: ['major', 'detail'], begin: { pass: 'detail' } },
  steps: { thick: { settings: ['big-from'], terms: ['too-big'] }, low: { settings: [], terms: [] } },
  questions: { order: { settings: ['stub'], terms: [] } },
} as unknown as SystemPack;

const empty = { steps: [], settings: [], terms: {}, questions: [], passes: null } as unknown as TrainingSystem;

describe('taking over', () => {
  it('brings what a step names and no more', () => {
    const taken = takeStep(empty, from, 'thick');
    expect(taken.steps?.map((s) => s.id)).toEqual(['thick']);
    expect(taken.settings?.map((s) => s.id)).toEqual(['big-from']);
    expect(taken.terms).toEqual({ 'too-big': 'diameter > big-from' });
  });

  it('leaves numbers and rules that are here as they are', () => {
    const own = { ...empty, settings: [setting('big-from', 30)], terms: { 'too-big': 'ratio > 0.5' } };
    const taken = takeStep(own as unknown as TrainingSystem, from, 'thick');
    expect(taken.settings).toEqual([setting('big-from', 30)]);
    expect(taken.terms).toEqual({ 'too-big': 'ratio > 0.5' });
  });

  it('puts a step of a pass that is not here into the winter', () => {
    expect(takeStep(empty, from, 'low').steps?.[0]?.pass).toBe('detail');
  });

  it('keeps of a question what speaks of steps that are here', () => {
    const here = { ...empty, steps: [{ id: 'thick' }] } as unknown as TrainingSystem;
    const [a, b] = takeQuestion(here, from, 'order').questions![0]!.options;
    expect(a).toMatchObject({ leavesOut: null, orders: { thick: 'height up' }, moves: null });
    expect(b).toMatchObject({ sequence: ['thick'] });
  });
});
