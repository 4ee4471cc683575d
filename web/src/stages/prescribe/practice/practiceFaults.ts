import type { PrunerPractice } from '../../../api/client';
import type { useReading } from '../../../words/useReading';

/** What was said most often of a pruner's practice trees, on one line; empty where nothing was. */
export const faultsOf = (practice: PrunerPractice, t: ReturnType<typeof useReading>['t']): string =>
  practice.faults.map((f) => t(`practice.fault-${f.code.replace('practice.', '')}`, { count: f.trees })).join('; ');
