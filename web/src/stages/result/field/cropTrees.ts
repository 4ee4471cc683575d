import type { CropCountEntry, KitCrop } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import type { KeptKit, Queued } from '../../../field/queue';

export type CropPoint = KitCrop['atHand'];

/** A tree counted, wherever it is known from. */
export interface CountedCrop {
  point: CropPoint;
  row: number;
  tree: number;
  clusters: number | null;
  fruit: number | null;
}

/** Counts made on this device that nothing has taken the place of, and that the kit does not know yet. */
export function ownCounts({ kit, at }: KeptKit, made: readonly Queued[]): { id: string; count: CountedCrop }[] {
  const replaced = new Set(made.map((m) => m.entry.supersedes).filter(Boolean));
  return made.flatMap((m) => {
    const body: CropCountEntry | null = bodyOf(m.entry, 'crop');
    const isKnown = m.standing === 'refused' || (m.standing === 'sent' && m.at <= at);
    return body && m.entry.season === kit.season && !isKnown && !replaced.has(m.id)
      ? [
          {
            id: m.id,
            count: {
              point: body.point!,
              row: m.entry.row ?? 0,
              tree: m.entry.tree ?? 0,
              clusters: body.clusters ?? null,
              fruit: body.fruit ?? null,
            },
          },
        ]
      : [];
  });
}

/** The next tree of the walk that is not counted at a point of the year; null when all are. */
export function nextOfWalk(
  route: readonly { row: number; tree: number }[],
  counted: readonly CountedCrop[],
  point: CropPoint,
) {
  const done = new Set(counted.filter((c) => c.point === point).map((c) => `${c.row}/${c.tree}`));
  return { next: route.find((s) => !done.has(`${s.row}/${s.tree}`)) ?? null, done: done.size };
}

/** Clusters of a tree in bloom that more hold fruit now than can; null where it is in order. */
export function overBloom(
  counted: readonly CountedCrop[],
  at: { row: number; tree: number },
  clusters: number,
  believed: number,
): number | null {
  const bloom = counted.findLast((c) => c.point === 'bloom' && c.row === at.row && c.tree === at.tree)?.clusters;
  return bloom != null && clusters > bloom * believed ? bloom : null;
}
