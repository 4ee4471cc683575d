import type { KitCheck, TreeCheckEntry } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import type { KeptKit, Queued } from '../../../field/queue';
import { classOfGirth } from '../../../field/trunkClass';

/** A tree of a row. */
export interface Place {
  row: number;
  tree: number;
}

const keyOf = ({ row, tree }: Place) => `${row}/${tree}`;

/** Checks made on this device that nothing has taken the place of, and that the kit does not know yet. */
export function ownChecks({ kit, at }: KeptKit, made: readonly Queued[]): { id: string; check: TreeCheckEntry }[] {
  const replaced = new Set(made.map((m) => m.entry.supersedes).filter(Boolean));
  return made.flatMap((m) => {
    const check = bodyOf(m.entry, 'check');
    const isKnown = m.standing === 'refused' || (m.standing === 'sent' && m.at <= at);
    return check && m.entry.season === kit.season && !isKnown && !replaced.has(m.id)
      ? [{ id: m.id, check: { ...check, row: m.entry.row ?? null, tree: m.entry.tree ?? null } }]
      : [];
  });
}

/** Trees checked, as the office knew them and as told here since. */
export function checkedPlaces(check: KitCheck, own: readonly { check: TreeCheckEntry }[], pass: string): Set<string> {
  return new Set([
    ...check.checked.filter((c) => c.pass === pass && !c.afterPruning).map(keyOf),
    ...own
      .filter(({ check: c }) => c.pass === pass && !c.afterPruning)
      .map(({ check: c }) => keyOf({ row: c.row ?? 0, tree: c.tree ?? 0 })),
  ]);
}

/** How many trees of a pruner were checked on a day. */
export function checkedToday(
  check: KitCheck,
  own: readonly { check: TreeCheckEntry }[],
  pruner: string,
  day: string,
): number {
  return [...check.checked, ...own.map((o) => o.check)].filter(
    (c) => c.pruner === pruner && c.day === day && !c.afterPruning,
  ).length;
}

/**
 * The next tree drawn in rows that are done: those due first, row by row, then one more where it was checked least, so
 * that nobody picks the best ones. Null where no row is done, or no tree is left that was drawn.
 */
export function nextTree(
  check: KitCheck,
  rowsDone: ReadonlySet<number>,
  checked: ReadonlySet<string>,
  gone: ReadonlySet<string>,
): (Place & { isDue: boolean }) | null {
  const rows = check.rows
    .filter((r) => rowsDone.has(r.row))
    .map((r) => ({
      row: r.row,
      done: r.trees.filter((tree) => checked.has(keyOf({ row: r.row, tree }))).length,
      due: r.due,
      open: r.trees.filter((tree) => ![checked, gone].some((s) => s.has(keyOf({ row: r.row, tree })))),
    }))
    .filter((r) => r.open.length > 0);
  const due = rows.find((r) => r.done < r.due);
  const least = rows.reduce<(typeof rows)[number] | null>((a, b) => (a === null || b.done < a.done ? b : a), null);
  const row = due ?? least;
  return row === null ? null : { row: row.row, tree: row.open[0]!, isDue: due !== undefined };
}

/** The class a girth tells; the only one where there is one, null where nobody can tell. */
export function classOf(check: KitCheck, girthCm: number | null, named: string) {
  if (check.classes.length === 1) return check.classes[0]!;
  if (girthCm === null) return check.classes.find((c) => c.name === named) ?? null;
  return classOfGirth(check.classes, girthCm);
}

/** Where a count lies against what the card asks for. */
export function against(asked: { number: number | null; least: number | null; most: number | null }, left: number) {
  if (asked.number === null || asked.least === null || asked.most === null) return null;
  return left < asked.least ? 'under' : left > asked.most ? 'over' : 'within';
}
