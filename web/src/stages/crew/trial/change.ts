import type { CrewTrialEntry } from '../../../api/client';
import { readDraft, type Draft, type FormSpec } from '../../../entry/draft';
import type { Locale } from '../../../units/format';

/** What may be tried out; each is a column of its own. */
export const kinds = ['hire', 'lost', 'platforms', 'onePass', 'structure'] as const;

export type Kind = (typeof kinds)[number];

/** A change as it is typed. */
export interface Change {
  id: string;
  kind: Kind;
  draft: Draft;
  /** Plantings pruned as structure only. */
  plantings: string[];
}

const specs: Record<Kind, FormSpec> = {
  hire: { hirePeople: 'number', hireWeeks: 'number', hireWage: 'number', hireFrom: 'choice' },
  lost: { lostWeeks: 'number', lostFrom: 'choice' },
  platforms: { platforms: 'number', cost: 'number' },
  onePass: {},
  structure: {},
};

/** A change of a kind with numbers to begin with. */
export function changeOf(kind: Kind, id: string = crypto.randomUUID()): Change {
  const draft: Record<Kind, Draft> = {
    hire: { hirePeople: { text: '4' }, hireWeeks: { text: '4' } },
    lost: { lostWeeks: { text: '2' } },
    platforms: { platforms: { text: '2' } },
    onePass: {},
    structure: {},
  };
  return { id, kind, draft: draft[kind], plantings: [] };
}

/** The fields a change is typed in. */
export function fieldsOf({ kind }: Change): string[] {
  return Object.keys(specs[kind]);
}

/** The entry of a change, with the name it is told by. */
export function entryOf(change: Change, name: string, language: Locale) {
  const { entry, unreadable } = readDraft<Partial<CrewTrialEntry>>(specs[change.kind], change.draft, language);
  return {
    unreadable,
    entry: {
      name,
      ...entry,
      onePass: change.kind === 'onePass',
      structureOnly: change.kind === 'structure' ? change.plantings : [],
    } as CrewTrialEntry,
  };
}
