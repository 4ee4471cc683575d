import type { FieldKit } from '../../../api/client';
import { total, type Tally } from './tally';

/** What is odd about a tree that is said to be done: it is asked while the tree is near. */
export type Doubt =
  | { about: 'empty' }
  | { about: 'buds'; buds: number; from: number; to: number }
  | { about: 'girth' }
  | { about: 'again'; buds: number | null };

/** A thumb in a glove touches twice: what comes so soon after a touch is the same one. */
export class Bounce {
  private last = -Infinity;

  constructor(private readonly ms = 1_000) {}

  /** Whether a touch is another one than the last. */
  isAnother = () => performance.now() - this.last >= this.ms;

  /** The touch did something. */
  happened = () => {
    this.last = performance.now();
  };
}

/** What is odd about a tree. */
export function doubtsOf(
  tally: Tally,
  kit: Pick<FieldKit, 'budsFrom' | 'budsTo'>,
  here: { oddGirth: boolean; earlier: { buds: number | null } | null },
): Doubt[] {
  const buds = total(tally);
  const doubts: Doubt[] = [];
  if (buds === 0) doubts.push({ about: 'empty' });
  // All buds, floral or not, are no measure for the floral ones.
  else if (tally.by === 'floral' && kit.budsFrom != null && kit.budsTo != null)
    if (buds < kit.budsFrom || buds > kit.budsTo)
      doubts.push({ about: 'buds', buds, from: Math.round(kit.budsFrom), to: Math.round(kit.budsTo) });
  if (here.oddGirth) doubts.push({ about: 'girth' });
  if (here.earlier) doubts.push({ about: 'again', buds: here.earlier.buds });
  return doubts;
}
