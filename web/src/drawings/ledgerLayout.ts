import type { BudLedger } from '../api/client';

/** A bar of the ledger in drawing units. `top` and `bottom` are measured downwards. */
export interface LedgerColumn {
  kind: 'standing' | 'drop' | 'left';
  /** Index into the ledger's drops, for a drop. */
  drop: number;
  x: number;
  width: number;
  top: number;
  bottom: number;
  whiskers: { top: number; bottom: number } | null;
}

export interface LedgerLayout {
  columns: LedgerColumn[];
  band: { top: number; middle: number; bottom: number };
  baseline: number;
}

/** Places the running account: equal columns, the scale from zero to the tallest thing that is drawn. */
export function layOutLedger(ledger: BudLedger, width: number, top: number, baseline: number): LedgerLayout {
  const { standing, drops, left } = ledger;
  const tallest = Math.max(
    ledger.bandHigh,
    standing?.mean ?? 0,
    standing?.high ?? 0,
    left?.mean ?? 0,
    left?.high ?? 0,
    1,
  );
  const y = (buds: number) => baseline - (Math.max(0, buds) / tallest) * (baseline - top);
  const whiskers = (bar: { low: number | null; high: number | null }) =>
    bar.low === null || bar.high === null ? null : { top: y(bar.high), bottom: y(bar.low) };

  const count = standing ? drops.length + 2 : 0;
  const slot = count === 0 ? 0 : width / count;
  const barWidth = Math.min(slot * 0.64, 128);
  const place = (index: number) => ({ x: slot * index + (slot - barWidth) / 2, width: barWidth });

  const columns: LedgerColumn[] = [];
  if (standing) {
    columns.push({
      kind: 'standing',
      drop: -1,
      ...place(0),
      top: y(standing.mean),
      bottom: baseline,
      whiskers: whiskers(standing),
    });
    drops.forEach((drop, i) => {
      columns.push({
        kind: 'drop',
        drop: i,
        ...place(i + 1),
        top: y(drop.after + drop.drop),
        bottom: y(drop.after),
        whiskers: null,
      });
    });
  }
  if (standing && left)
    columns.push({
      kind: 'left',
      drop: -1,
      ...place(count - 1),
      top: y(left.mean),
      bottom: baseline,
      whiskers: whiskers(left),
    });
  return {
    columns,
    band: { top: y(ledger.bandHigh), middle: y(ledger.wanted), bottom: y(ledger.bandLow) },
    baseline,
  };
}
