import type { SystemChoice } from '../../api/client';

type Leaf = SystemChoice['systems'][number]['leaves'][number];

/** What lines of systems can be drawn of. */
export const measures = ['hoursTo', 'hours', 'cropT', 'heightM', 'marginTo'] as const;
export type Measure = (typeof measures)[number];

/** A line of one measure, leaf by leaf, with the unit the core tells it in; money in the estate's own. */
export function lineOf(leaves: Leaf[], measure: Measure, currency: string | null): { values: number[]; unit: string } {
  const money = `${currency ?? 'XXX'}/ha`;
  switch (measure) {
    case 'hoursTo':
      return { values: leaves.map((l) => l.hoursTo), unit: 'h/ha' };
    case 'hours':
      return { values: leaves.map((l) => l.hours), unit: 'h/ha' };
    case 'cropT':
      return { values: leaves.map((l) => l.cropT), unit: 't/ha' };
    case 'heightM':
      return { values: leaves.map((l) => l.heightM), unit: 'm' };
    case 'marginTo':
      return { values: leaves.map((l) => l.discounted ?? 0), unit: money };
  }
}
