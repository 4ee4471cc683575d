import { useMemo } from 'react';
import { bodyOf } from '../../../field/kinds';
import type { KeptKit } from '../../../field/queue';
import { useMade } from '../../../field/useField';
import { floralBuds, running } from './stop';

/** What is counted of a planting, by the office and on this device, and what the stop rule makes of it. */
export function useCountedTrees({ id, kit }: KeptKit) {
  const made = useMade(id);
  const own = useMemo(() => latest(made), [made]);
  const done = useMemo(
    () =>
      new Set([
        ...kit.counted.map((c) => `${c.row}/${c.tree}`),
        ...own.keys(),
        ...made.filter((q) => bodyOf(q.entry, 'skip') !== null).map((q) => `${q.entry.row}/${q.entry.tree}`),
      ]),
    [kit, own, made],
  );
  const counted = useMemo(() => {
    const all = new Map<string, number | null>(kit.counted.map((c) => [`${c.row}/${c.tree}`, c.floralBuds]));
    for (const [key, entry] of own) all.set(key, floralBuds(bodyOf(entry.entry, 'tree')!, kit));
    return [...all.values()].filter((b) => b !== null);
  }, [kit, own]);
  return {
    /** Entries of this device in force, by row/tree. */
    own,
    /** Trees counted or passed over, by row/tree. */
    done,
    so: running(counted, kit.stop),
    /** The next stop of the route that nobody was at. */
    next: kit.route.find((s) => !done.has(`${s.row}/${s.tree}`)),
  };
}

/** The newest entry in force of each tree counted on this device; one that was taken back is none. */
function latest(made: ReturnType<typeof useMade>) {
  const trees = new Map<string, (typeof made)[number]>();
  for (const queued of made) {
    const key = `${queued.entry.row}/${queued.entry.tree}`;
    if (bodyOf(queued.entry, 'tree')) trees.set(key, queued);
    else if (queued.entry.supersedes && trees.get(key)?.id === queued.entry.supersedes) trees.delete(key);
  }
  return trees;
}
