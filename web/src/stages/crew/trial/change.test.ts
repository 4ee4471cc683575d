import { describe, expect, it } from 'vitest';
import { changeOf, entryOf, fieldsOf, kinds } from './change';

describe('a change to try out', () => {
  it('is sent as it is typed', () => {
    const change = changeOf('hire');
    change.draft.hireWage = { text: '17,50' };
    expect(entryOf(change, 'Four more', 'es').entry).toEqual({
      name: 'Four more',
      hirePeople: 4,
      hireWeeks: 4,
      hireFrom: null,
      hireWage: 17.5,
      onePass: false,
      structureOnly: [],
    });
    change.draft.hirePeople = { text: 'four' };
    expect(entryOf(change, 'Four more', 'es').unreadable).toEqual(['hirePeople']);
  });

  it('changes what its kind says and nothing else', () => {
    const structure = { ...changeOf('structure'), plantings: ['a', 'b'] };
    expect(entryOf(structure, 's', 'en').entry.structureOnly).toEqual(['a', 'b']);
    expect(entryOf({ ...structure, kind: 'onePass' }, 'o', 'en').entry).toEqual({
      name: 'o',
      onePass: true,
      structureOnly: [],
    });
    expect(kinds.map((k) => fieldsOf(changeOf(k)).length)).toEqual([4, 2, 2, 0, 0]);
  });
});
