import { answered, api, type LearnedLine, type PlantingView } from '../../api/client';
import type { Draft } from '../../entry/draft';
import { at, type PartOf } from '../../planting/part';
import { parseNumber, toInput } from '../../units/parse';
import { firstUnit } from '../../units/system';

type Entry = PlantingView['learning'];
export type LearnedQuantity = NonNullable<NonNullable<Entry['choices']>[number]['quantity']>;

/** The numbers that seasons teach, with the metric unit a pinned one is typed in. */
export const quantities: Record<LearnedQuantity, string> = {
  set: '%',
  packOut: '%',
  trunkGrowth: 'cm',
  fruitMass: 'g',
  returnBloom: 'bud/fruit',
  shootLength: 'cm',
  uprights: 'shoot/tree',
  hours: '1',
};

/** What is said of how a number stands. */
export const standingOf = ({ quantity, standing }: LearnedLine) =>
  standing === 'used' && quantity !== 'set' && quantity !== 'packOut'
    ? 'learned.standing.used-now'
    : `learned.standing.${standing}`;

/** Decimals a number of a unit is told with. */
export const decimalsOf = (unit: string) => (unit === 'share' ? 0 : unit === '1' || unit === 'bud/fruit' ? 2 : 1);

/** What a number follows: its seasons, what Rama comes with, or a person's own. */
export const follows = ['seasons', 'shipped', 'pinned'] as const;

const names = Object.keys(quantities) as LearnedQuantity[];

/** Numbers set aside, in the order they are sent. */
export const setAside = (draft: Draft) => names.filter((q) => draft[`${q}.follows`]!.text !== 'seasons');

export const learning: PartOf<Draft, Entry> = {
  ofPlanting: true,
  act: 'target',
  from: (view, { language, system }) =>
    Object.fromEntries(
      names.flatMap((q) => {
        const choice = (view.learning.choices ?? []).find((c) => c.quantity === q);
        const pinned = choice?.pinned?.value ?? null;
        return [
          [`${q}.follows`, { text: !choice ? 'seasons' : pinned === null ? 'shipped' : 'pinned' }],
          [
            `${q}.pinned`,
            { text: toInput(pinned, language), unit: choice?.pinned?.unit ?? firstUnit(quantities[q], system) },
          ],
          [`${q}.reason`, { text: choice?.reason ?? '' }],
        ];
      }),
    ),
  read: (draft, language) => {
    const unreadable: string[] = [];
    const choices = setAside(draft).map((quantity, i) => {
      const reason = draft[`${quantity}.reason`]!.text;
      if (draft[`${quantity}.follows`]!.text === 'shipped') return { quantity, reason, pinned: null };
      const { text, unit } = draft[`${quantity}.pinned`]!;
      const value = parseNumber(text, language);
      // An own number that is not there is a fault, and not the shipped one.
      if (value === null || Number.isNaN(value)) unreadable.push(`choices[${i}].pinned`);
      return { quantity, reason, pinned: { value: Number.isNaN(value) ? null : value, unit: unit ?? null } };
    });
    return { entry: { choices }, unreadable };
  },
  save: (view, learning) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/learning', { ...at(view), body: { version: view.plantingVersion, learning } }),
    ),
};
