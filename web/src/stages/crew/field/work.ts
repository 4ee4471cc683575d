import type { FieldKit, WorkReportEntry } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import type { Queued } from '../../../field/queue';

/** A report of this device, as it was entered last. */
export interface OwnReport {
  id: string;
  report: WorkReportEntry;
}

/** Reports made on this device that nothing has taken the place of. */
export function ownReports(made: readonly Queued[], pass: string): OwnReport[] {
  const replaced = new Set(made.map((m) => m.entry.supersedes).filter(Boolean));
  return made.flatMap((m) => {
    const report = bodyOf(m.entry, 'work');
    return report?.pass === pass && !replaced.has(m.id) ? [{ id: m.id, report }] : [];
  });
}

/** Rows done whole, as the office knew them and as told here since. */
export function rowsDone(kit: FieldKit, made: readonly Queued[], pass: string): Set<number> {
  const known = (kit as Partial<FieldKit>).work?.done[pass] ?? [];
  return new Set([...known, ...ownReports(made, pass).flatMap((r) => r.report.rows ?? [])]);
}

/** Hours from one moment to another, to the quarter of an hour, as they are written down. */
export function hoursBetween(from: Date, to: Date): number {
  return Math.max(0, Math.round((to.getTime() - from.getTime()) / 900_000) / 4);
}
