import { describe, expect, it } from 'vitest';
import { matches, nextToDo } from './find';

const line = { code: 'H4', name: 'Long Acre', variety: 'Jonagold', rootstock: 'M.9' };

describe('finding a planting', () => {
  it.each(['', 'h4', 'acre long', 'jona m.9', 'ácre'])('answers to "%s"', (find) => expect(matches(line, find)).toBe(true));
  it.each(['h5', 'long pear'])('does not answer to "%s"', (find) => expect(matches(line, find)).toBe(false));
});

describe('the next thing to do', () => {
  it('is the first planting at the earliest stage', () =>
    expect(nextToDo([{ stage: 'prescribe', id: 1 }, { stage: 'decide', id: 2 }, { stage: 'count', id: 3 }, { stage: 'count', id: 4 }] as const)).toMatchObject({ id: 3 }));
  it('is nothing when there is nothing', () => expect(nextToDo([])).toBeUndefined());
});
