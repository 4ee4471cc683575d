/** Where a tree is cut for practice. */
export const practiceAddress = (planting: string, trunk: string, number: number) =>
  `/plantings/${planting}/bench?practice&class=${encodeURIComponent(trunk)}&number=${number}`;
