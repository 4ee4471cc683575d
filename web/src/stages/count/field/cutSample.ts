/** What a cut bud shows. */
export const found = ['floral', 'vegetative', 'dead'] as const;
export type Found = (typeof found)[number];

/** Buds of one tree and kind while they are cut; they leave as one entry. */
export interface CutSample {
  row: string;
  tree: string;
  kind: string;
  /** What each bud showed, in the order they were cut. */
  buds: Found[];
}

export const countOf = (sample: CutSample | null, what: Found) =>
  sample?.buds.filter((bud) => bud === what).length ?? 0;

const key = (planting: string) => `rama.cut.${planting}`;

/** The sample begun on this device and not done yet: a closed page costs no bud. */
export function keptSample(planting: string): CutSample | null {
  try {
    return JSON.parse(localStorage.getItem(key(planting)) ?? 'null') as CutSample | null;
  } catch {
    return null;
  }
}

export function keepSample(planting: string, sample: CutSample | null) {
  if (sample && sample.buds.length > 0) localStorage.setItem(key(planting), JSON.stringify(sample));
  else localStorage.removeItem(key(planting));
}
