import { describe, expect, it } from 'vitest';
import { readCutting, toCuttingDraft } from './draft';

describe('how a system is cut', () => {
  it('is the same after being read into a draft and back, in another language too', () => {
    const shown = { row: 3, tree: 14, before: 310, left: 221, fell: { 'thick-limbs': 60, spurs: 29 } };
    const settings = { 'big-limbs': 2, 'big-from': 20.5 };
    const cutting = {
      answers: { order: 'top-down' },
      way: 'count' as const,
      rest: 0.05,
      settings,
      demonstration: [shown],
    };
    expect(readCutting(toCuttingDraft(cutting, 'es'), 'es')).toEqual({ entry: cutting, unreadable: [] });
  });

  it('leaves out what was emptied and names what cannot be read', () => {
    const { entry, unreadable } = readCutting(
      {
        answers: { order: '', uprights: 'out' },
        settings: { 'big-limbs': '', 'big-from': 'thick' },
        lines: [{ before: '200', 'fell.forks': 'many' }],
        way: null,
        rest: null,
      },
      'en',
    );
    expect(entry.answers).toEqual({ uprights: 'out' });
    expect(entry.settings).toEqual({});
    expect(unreadable).toEqual(['settings.big-from', 'demonstration[0].fell.forks']);
  });
});
