import type { CheckView, PlantingView, SeasonResultEntry } from '../../api/client';
import type { Line } from '../../entry/paste';
import type { Typing } from '../../units/system';
import { lineOf } from './draft';

/** The line a record begins with: what its plan wanted, what was counted before, and what checks found left. */
export function begun(view: PlantingView, says: CheckView['says'], typing: Typing): Line {
  const start: SeasonResultEntry = view.start ?? { season: view.season };
  const left = says?.afterPruning;
  if (!left) return lineOf(start, typing);
  return lineOf(
    {
      ...start,
      budsLeft: Math.round(left.left),
      counts: {
        ...start.counts,
        how: {
          ...start.counts?.how,
          budsLeft: {
            trees: left.trees,
            halfWidth: left.halfWidth === null ? null : Math.round(left.halfWidth),
            by: 'sample',
          },
        },
      },
    },
    typing,
  );
}
