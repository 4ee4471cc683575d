import type { WorkReportEntry } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import type { KeptKit, Queued } from '../../../field/queue';

/** A report of this device, as it was entered last. */
export interface OwnReport {
  id: string;
  report: WorkReportEntry;
}

/**
 * Reports made on this device in the season of its kit that nothing has taken the place of, and that the kit does not
 * know: what was sent before it was taken along stands in it, as far as the office left it.
 */
export function ownReports({ kit, at }: KeptKit, made: readonly Queued[], pass: string): OwnReport[] {
  const replaced = new Set(made.map((m) => m.entry.supersedes).filter(Boolean));
  return made.flatMap((m) => {
    const report = bodyOf(m.entry, 'work');
    const isKnown = m.standing === 'refused' || (m.standing === 'sent' && m.at <= at);
    return report?.pass === pass && m.entry.season === kit.season && !isKnown && !replaced.has(m.id)
      ? [{ id: m.id, report }]
      : [];
  });
}

/** Rows done whole, as the office knew them and as told here since. */
export function rowsDone(kept: KeptKit, made: readonly Queued[], pass: string): Set<number> {
  // One taken along by an earlier Rama has none.
  const known = (kept.kit as Partial<KeptKit['kit']>).work?.done[pass] ?? [];
  return new Set([...known, ...ownReports(kept, made, pass).flatMap((r) => r.report.rows ?? [])]);
}

/** Hours from one moment to another, to the quarter of an hour, as they are written down. */
export function hoursBetween(from: Date, to: Date): number {
  return Math.max(0, Math.round((to.getTime() - from.getTime()) / 900_000) / 4);
}
