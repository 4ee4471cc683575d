import type { CountedTreeEntry, FieldKit } from '../../../api/client';

/** What the trees counted so far say, as far as it can be told without signal. */
export interface Running {
  trees: number;
  mean: number;
  /** Half widths of the 95 % and 99 % intervals; null for one tree. */
  half95: number | null;
  half99: number | null;
  verdict: 'too-few' | 'go-on' | 'settled' | 'not-settled' | 'no-target';
  /** Trees until something can be said, or until the planned number. */
  more: number;
}

/** Floral buds of a tree by the shares the office knows; null while a kind waits for one. */
export function floralBuds(tree: CountedTreeEntry, kit: Pick<FieldKit, 'shares' | 'floralShare'>): number | null {
  if (tree.floralBuds != null) return tree.floralBuds;
  const counts = tree.buds != null ? [{ kind: 'any', buds: tree.buds }] : (tree.kinds ?? []);
  let sum = 0;
  for (const { kind, buds } of counts) {
    if (!buds) continue;
    const own = kind === 'any' ? undefined : kit.shares.find((s) => s.kind === kind)?.share;
    const share = own ?? kit.floralShare ?? kit.shares.find((s) => s.kind === 'any')?.share;
    if (share == null) return null;
    sum += buds * share;
  }
  return sum;
}

/** Mean, intervals and advice from the core's table of factors. */
export function running(buds: readonly number[], stop: FieldKit['stop']): Running | null {
  const trees = buds.length;
  if (trees === 0) return null;
  const mean = buds.reduce((sum, b) => sum + b, 0) / trees;
  const last = stop.factor95.length - 1;
  const spread = trees > 1 ? Math.sqrt(buds.reduce((sum, b) => sum + (b - mean) ** 2, 0) / (trees - 1)) : null;
  const half = (factors: readonly number[]) => (spread === null ? null : factors[Math.min(trees, last)]! * spread);
  const [half95, half99] = [half(stop.factor95), half(stop.factor99)];
  const said = (verdict: Running['verdict'], more: number): Running => ({ trees, mean, half95, half99, verdict, more });
  const { bandLow, bandHigh } = stop;
  if (bandLow == null || bandHigh == null) return said('no-target', Math.max(0, stop.planned - trees));
  if (trees < stop.fewest || half99 === null) return said('too-few', Math.max(1, stop.fewest - trees));
  const side = (value: number) => (value < bandLow ? -1 : value <= bandHigh ? 0 : 1);
  if (side(mean - half99) === side(mean + half99)) return said('settled', 0);
  return trees >= stop.planned ? said('not-settled', 0) : said('go-on', stop.planned - trees);
}
