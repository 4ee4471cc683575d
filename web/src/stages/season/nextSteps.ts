import type { Act, SeasonLine } from '../../api/client';

/** One kind of thing to do, the plantings that wait for it, and where it is done. */
export interface NextStep {
  key: 'past' | 'targets' | 'target' | 'count' | 'more' | 'cards';
  lines: SeasonLine[];
  to: string;
  act: Act;
}

/**
 * What the plantings wait for, in the order of the work; kinds nobody waits for are left out. One that is being worked
 * out asks for nothing yet.
 */
export function nextSteps(plantings: SeasonLine[]): NextStep[] {
  const bearing = plantings.filter((p) => !p.isInTraining && !p.isPending);
  const at = (stage: SeasonLine['stage']) => bearing.filter((p) => p.stage === stage);
  const toTarget = at('target');
  const withRecords = toTarget.filter((p) => p.known.canStart);
  const without = toTarget.filter((p) => !p.known.canStart);
  const count = at('count');
  const more = at('decide');
  const cards = at('prescribe');
  const steps: NextStep[] = [
    { key: 'past', lines: without.filter((p) => p.known.seasons === 0), to: '/exchange', act: 'exchange' },
    { key: 'targets', lines: withRecords, to: '/targets?from=records', act: 'target' },
    { key: 'target', lines: without, to: '/targets', act: 'target' },
    { key: 'count', lines: count, to: '/field', act: 'count' },
    { key: 'more', lines: more, to: '/field', act: 'count' },
    { key: 'cards', lines: cards, to: cards[0] ? `/plantings/${cards[0].id}/card` : '/', act: 'read' },
  ];
  return steps.filter((s) => s.lines.length > 0);
}
