import type { CatalogueRootstock, CatalogueVariety, RootstockEntry, VarietyEntry } from '../../api/client';
import { numbers } from './varietyNumbers';

/** A variety as its form has it. */
export const entryOf = ({ name, crop, current }: CatalogueVariety): VarietyEntry => ({
  name,
  crop,
  ...Object.fromEntries(numbers.map((n) => [n, current[n]?.value ?? null])),
  biennialProne: current.traits.biennialProne,
  // One source was told for all the numbers of an estate's own.
  source: current.fruitMassG?.source ?? '',
});

/** What the estate said of a variety; null where it is as shipped. */
export const standingVariety = (variety: CatalogueVariety) => (variety.version > 0 ? entryOf(variety) : null);

export const varietyKey = (name: string) => `variety ${name}`;

/** A rootstock as its form has it. */
export const stockEntryOf = ({ name, crop, current }: CatalogueRootstock): RootstockEntry => ({
  name,
  crop,
  vigourPercent: current.vigourPercent.value,
  precocity: current.precocity,
  hardiness: current.hardiness,
  suckering: current.suckering,
  source: current.vigourPercent.source,
});

/** What the estate said of a rootstock; null where it is as shipped. */
export const standingRootstock = (rootstock: CatalogueRootstock) =>
  rootstock.version > 0 ? stockEntryOf(rootstock) : null;

export const rootstockKey = (name: string) => `rootstock ${name}`;
