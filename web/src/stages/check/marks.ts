import type { CutVerdict } from '../../api/client';

/** A shape beside what is said, so that colour is never the only sign. */
export function markOf(kind: CutVerdict['kind']): string {
  return { none: '·', tooFewCounts: '◌', onTarget: '●', tooMany: '▲', tooFew: '▼' }[kind];
}
