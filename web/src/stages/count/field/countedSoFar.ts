import type { FieldKit } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import type { Queued } from '../../../field/queue';
import { floralBuds, running } from './stop';

/** What is counted of a planting, by the office and on this device, and what the stop rule makes of it. */
export function countedSoFar(kit: FieldKit, made: Queued[]) {
  const own = latest(made);
  const counted = new Map<string, number | null>(kit.counted.map((c) => [`${c.row}/${c.tree}`, c.floralBuds]));
  for (const [key, entry] of own) counted.set(key, floralBuds(bodyOf(entry.entry, 'tree')!, kit));
  return {
    /** Entries of this device in force, by row/tree. */
    own,
    /** Trees counted. */
    trees: counted.size,
    so: running(
      [...counted.values()].filter((buds) => buds !== null),
      kit.stop,
    ),
  };
}

/** The newest entry in force of each tree counted on this device; one that was taken back is none. */
function latest(made: Queued[]) {
  const trees = new Map<string, Queued>();
  for (const queued of made) {
    const key = `${queued.entry.row}/${queued.entry.tree}`;
    if (bodyOf(queued.entry, 'tree')) trees.set(key, queued);
    else if (queued.entry.supersedes && trees.get(key)?.id === queued.entry.supersedes) trees.delete(key);
  }
  return trees;
}
