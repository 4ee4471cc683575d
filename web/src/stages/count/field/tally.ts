import type { CountedTreeEntry } from '../../../api/client';

/** What is counted on a tree: floral buds at once, all buds, or all buds by kind. */
export type CountBy = 'floral' | 'all' | 'kinds';

/** One limb, or the whole tree where limbs are not counted one by one. */
export interface TalliedLimb {
  counts: Record<string, number>;
  /** Diameter in mm as typed. */
  diameter: string;
  forked: boolean;
  /** Age in years as typed; none on trees at hand since before ages were told. */
  age?: string | undefined;
  /** Kind whose number is being typed; anything else ends it, and the next digit begins anew. */
  typing?: string | undefined;
}

/** A tree while it is counted. */
export interface Tally {
  by: CountBy;
  limbwise: boolean;
  /** Limbs done and, last, the one at hand. */
  limbs: TalliedLimb[];
  girth: string;
  note: string;
  /** The limbs as they were before each step, for undo. */
  past: TalliedLimb[][];
}

const mostUndo = 300;
const noLimb = (): TalliedLimb => ({ counts: {}, diameter: '', forked: false });

export const emptyTally = (by: CountBy, limbwise: boolean): Tally => ({
  by,
  limbwise,
  limbs: [noLimb()],
  girth: '',
  note: '',
  past: [],
});

const changed = (tally: Tally, limbs: TalliedLimb[]): Tally => ({
  ...tally,
  limbs,
  past: [...tally.past, tally.limbs].slice(-mostUndo),
});

function atHand(tally: Tally, change: (limb: TalliedLimb) => TalliedLimb): TalliedLimb[] {
  return tally.limbs.map((limb, i) => (i === tally.limbs.length - 1 ? change(limb) : limb));
}

/** Adds buds of a kind to the limb at hand. */
export const tap = (tally: Tally, kind: string, buds = 1): Tally =>
  changed(
    tally,
    atHand(tally, (limb) => ({
      ...limb,
      typing: undefined,
      counts: { ...limb.counts, [kind]: (limb.counts[kind] ?? 0) + buds },
    })),
  );

/**
 * Types a digit of the buds of the limb at hand, as on a number pad. What was tapped before is replaced: 87 tapped and
 * 92 typed are 92.
 */
export function digit(tally: Tally, kind: string, next: number): Tally {
  const limb = tally.limbs.at(-1)!;
  const now = limb.typing === kind ? (limb.counts[kind] ?? 0) : 0;
  if (now >= 10_000) return tally;
  return changed(
    tally,
    atHand(tally, () => ({ ...limb, typing: kind, counts: { ...limb.counts, [kind]: now * 10 + next } })),
  );
}

/** What the pad types into: the buds of the limb at hand, its diameter or age, or the girth of the tree. */
export type PadAt = 'buds' | 'diameter' | 'girth' | 'age';

const mostSigns = 6;

/** Types a sign of a measure, a digit or the decimal sign; a second decimal sign or too long a number is no step. */
export function sign(tally: Tally, at: Measured, next: string): Tally {
  const text = textAt(tally, at);
  if (at === 'age') return /\d/.test(next) && text.length < 2 ? setAge(tally, text + next) : tally;
  if (text.length >= mostSigns || (/[.,]/.test(next) && (text === '' || /[.,]/.test(text)))) return tally;
  return at === 'girth' ? { ...tally, girth: text + next } : setDiameter(tally, text + next);
}

/** Takes the last sign of a measure back. */
export const unsign = (tally: Tally, at: Measured): Tally => {
  const text = textAt(tally, at).slice(0, -1);
  return at === 'girth' ? { ...tally, girth: text } : at === 'age' ? setAge(tally, text) : setDiameter(tally, text);
};

type Measured = Exclude<PadAt, 'buds'>;

const textAt = (tally: Tally, at: Measured) => (at === 'girth' ? tally.girth : (tally.limbs.at(-1)![at] ?? ''));

export const setAge = (tally: Tally, age: string): Tally => ({
  ...tally,
  limbs: atHand(tally, (limb) => ({ ...limb, age })),
});

export const setDiameter = (tally: Tally, diameter: string): Tally => ({
  ...tally,
  limbs: atHand(tally, (limb) => ({ ...limb, diameter })),
});
export const setForked = (tally: Tally, forked: boolean): Tally =>
  changed(
    tally,
    atHand(tally, (limb) => ({ ...limb, forked })),
  );

/** Ends the limb at hand; a limb without buds counts as one too. */
export const nextLimb = (tally: Tally): Tally => (tally.limbwise ? changed(tally, [...tally.limbs, noLimb()]) : tally);

export const canUndo = (tally: Tally) => tally.past.length > 0;
export const undo = (tally: Tally): Tally =>
  canUndo(tally) ? { ...tally, limbs: tally.past.at(-1)!, past: tally.past.slice(0, -1) } : tally;

export const limbTotal = (limb: TalliedLimb) => Object.values(limb.counts).reduce((sum, n) => sum + n, 0);
export const total = (tally: Tally) => tally.limbs.reduce((sum, limb) => sum + limbTotal(limb), 0);
export const kindTotal = (tally: Tally, kind: string) =>
  tally.limbs.reduce((sum, limb) => sum + (limb.counts[kind] ?? 0), 0);

/** The one at hand is no limb until something is said of it. */
const isLimb = (limb: TalliedLimb, i: number, all: TalliedLimb[]) =>
  i < all.length - 1 || limbTotal(limb) > 0 || limb.diameter !== '' || limb.forked || !!limb.age;
export const limbsOf = (tally: Tally) => (tally.limbwise ? tally.limbs.filter(isLimb) : []);

/** A tree sent before, to be put right. */
export function fromCounted(entry: CountedTreeEntry, girthText: (value: number) => string): Tally {
  const by: CountBy = entry.floralBuds != null ? 'floral' : entry.buds != null ? 'all' : 'kinds';
  const only = by === 'floral' ? 'floral' : 'any';
  const sizes = by === 'kinds' ? [] : (entry.limbSizes ?? []);
  return {
    ...emptyTally(by, sizes.length > 0),
    limbs:
      sizes.length > 0
        ? sizes.map((limb) => ({
            counts: { [only]: limb.buds ?? 0 },
            diameter: limb.diameter?.value == null ? '' : girthText(limb.diameter.value),
            forked: limb.forked ?? false,
            age: limb.age == null ? undefined : String(limb.age),
          }))
        : [
            {
              ...noLimb(),
              counts:
                by === 'kinds'
                  ? Object.fromEntries((entry.kinds ?? []).map((k) => [k.kind ?? '', k.buds ?? 0]))
                  : { [only]: entry.floralBuds ?? entry.buds ?? 0 },
            },
          ],
    girth: entry.girth?.value == null ? '' : girthText(entry.girth.value),
    note: entry.note ?? '',
  };
}

/** The tree as it is sent; numbers that are none are left to whoever reads them to refuse. */
export function toCounted(
  tally: Tally,
  kinds: readonly string[],
  number: (text: string) => number | null,
  girthUnit: string,
): CountedTreeEntry {
  const girth = number(tally.girth);
  const limbs = limbsOf(tally);
  const buds =
    tally.by === 'floral'
      ? { floralBuds: total(tally) }
      : tally.by === 'all'
        ? { buds: total(tally) }
        : { kinds: kinds.map((kind) => ({ kind, buds: kindTotal(tally, kind) })) };
  return {
    ...buds,
    girth: girth === null ? null : { value: girth, unit: girthUnit },
    limbs: limbs.length > 0 ? limbs.length : null,
    limbSizes: limbs.map((limb) => {
      const diameter = number(limb.diameter);
      return {
        diameter: diameter === null ? null : { value: diameter, unit: 'mm' },
        forked: limb.forked,
        buds: limbTotal(limb),
        ...(limb.age ? { age: number(limb.age) } : {}),
      };
    }),
    note: tally.note.trim() || null,
  };
}
