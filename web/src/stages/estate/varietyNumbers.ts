/** Numbers of a variety, and their units. */
export const numbers = ['cropDensityLow', 'cropDensityHigh', 'setShare', 'setShareSd', 'fruitMassG'] as const;
export type NumberField = (typeof numbers)[number];
export const units: Record<NumberField, string> = {
  cropDensityLow: 'fruit/cm²',
  cropDensityHigh: 'fruit/cm²',
  setShare: 'fruit/bud',
  setShareSd: 'fruit/bud',
  fruitMassG: 'g',
};
