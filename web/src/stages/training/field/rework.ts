import type { FieldKit, ReworkedTreeEntry, ReworkNews } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import type { Queued } from '../../../field/queue';

export type KitRework = NonNullable<FieldKit['rework']>;

/** A tree as this device knows it: as it was taken along, with what was told here since. */
export interface TreeAtHand {
  entry: ReworkedTreeEntry | null;
  /** Version it was taken along at; 0 for one that was not in rework. */
  seen: number;
  /** What was told of it here last and may still be put right. */
  told: Queued | null;
}

/** What is known of a place: the last word told here holds, else what was taken along. */
export function treeAt(rework: KitRework | null, made: Queued[], row: number, tree: number): TreeAtHand {
  const known = rework?.known.find((k) => k.tree.row === row && k.tree.tree === tree);
  const told = made.findLast((q) => q.entry.row === row && q.entry.tree === tree && bodyOf(q.entry, 'rework') !== null);
  const body = told && bodyOf(told.entry, 'rework');
  // Taken along again since it was sent: then the kit knows it, and who was faster.
  if (!body || (told.standing === 'sent' && known && known.version !== body.seen))
    return { entry: known?.tree ?? null, seen: known?.version ?? 0, told: null };
  return { entry: body.tree ?? null, seen: body.seen ?? 0, told };
}

/** What is told of a tree, over what is known of it. */
export const newsOf = (at: TreeAtHand, row: number, tree: number, next: Partial<ReworkedTreeEntry>): ReworkNews => ({
  seen: at.seen,
  tree: { ...at.entry, ...next, row, tree },
});

/** Whether a tree is to go. */
export const goes = (rework: KitRework | null, row: number, tree: number) =>
  rework?.toGo.some((r) => r.row === row && r.trees.includes(tree)) ?? false;

/** Trees that ask for something and are not done, by the last word of them. */
export const openTrees = (rework: KitRework, made: Queued[], season: number) =>
  rework.trees.filter(
    (line) => line.tasks.length > 0 && treeAt(rework, made, line.row, line.tree).entry?.doneSeason !== season,
  );
