import { useMemo } from 'react';
import { bodyOf } from '../../../field/kinds';
import type { KeptKit } from '../../../field/queue';
import { useMade } from '../../../field/useField';
import { countedSoFar } from './countedSoFar';

/** What is counted of a planting so far, and the tree of its route that comes next. */
export function useCountedTrees({ id, kit }: KeptKit) {
  const made = useMade(id);
  const { own, so } = useMemo(() => countedSoFar(kit, made), [kit, made]);
  const done = useMemo(
    () =>
      new Set([
        ...kit.counted.map((c) => `${c.row}/${c.tree}`),
        ...own.keys(),
        ...made.filter((q) => bodyOf(q.entry, 'skip') !== null).map((q) => `${q.entry.row}/${q.entry.tree}`),
      ]),
    [kit, own, made],
  );
  return {
    own,
    /** Trees counted or passed over, by row/tree. */
    done,
    so,
    /** The next stop of the route that nobody was at. */
    next: kit.route.find((s) => !done.has(`${s.row}/${s.tree}`)),
  };
}
