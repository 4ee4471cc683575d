/** How far a lane reaches up and down, as a share: equal steps are equal shares more and less. */
export const REACH = Math.log(1.75);

/** A tree on a lane. */
export interface Dot {
  x: number;
  y: number;
  /** Whether it lies further off than the lane reaches. */
  isBeyond: boolean;
}

/** Where a share lies on a lane of some height, 1 in the middle. */
export function heightOf(share: number, height: number): number {
  const off = Math.max(-REACH, Math.min(REACH, Math.log(share)));
  return height / 2 - (off / REACH) * (height / 2);
}

/** Trees in the order they were checked, side by side across a lane; `places` are of all lanes, so that lanes agree. */
export function dotsOf(
  trees: readonly { place: number; share: number }[],
  places: number,
  width: number,
  height: number,
): Dot[] {
  return trees.map(({ place, share }) => ({
    x: ((place + 0.5) / Math.max(1, places)) * width,
    y: heightOf(share, height),
    isBeyond: share <= 0 || Math.abs(Math.log(share)) > REACH,
  }));
}
