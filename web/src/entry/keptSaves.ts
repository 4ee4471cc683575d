import { isSame } from './merge';

/** A save of the session: what stood before it, and what it came to. */
export interface KeptSave {
  /** Null where nothing stood. */
  before: object | null;
  /** What stood when the page was told anew; not known until then. */
  after?: object;
}

const MOST_KEPT = 50;
const none: readonly KeptSave[] = [];
const kept = new Map<string, readonly KeptSave[]>();
const watching = new Set<() => void>();

/** Saves that can be taken back, by what they are of, the last at the end; they outlive the page they were made on. */
export const keptSaves = {
  of: (what: string) => kept.get(what) ?? none,
  watch: (changed: () => void) => {
    watching.add(changed);
    return () => watching.delete(changed);
  },
  add: (what: string, save: KeptSave) => {
    change(what, (all) => [...all.slice(1 - MOST_KEPT), save]);
  },
  /** Takes one away that was taken back. */
  drop: (what: string, save: KeptSave) => {
    change(what, (all) => all.filter((s) => s !== save));
  },
  /** What stands other than before a save is what the save came to. */
  tell: (what: string, standing: object | null) => {
    const cameTo = (s: KeptSave) => s.after === undefined && !isSame(s.before ?? {}, standing ?? {});
    if (keptSaves.of(what).some(cameTo))
      change(what, (all) => all.map((s) => (cameTo(s) ? { ...s, after: standing ?? {} } : s)));
  },
};

function change(what: string, to: (all: readonly KeptSave[]) => readonly KeptSave[]) {
  kept.set(what, to(keptSaves.of(what)));
  for (const changed of watching) changed();
}
