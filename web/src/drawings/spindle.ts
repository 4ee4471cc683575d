interface Point {
  x: number;
  y: number;
}

export interface SketchLimb {
  path: string;
  /** The renewal stub left of a limb taken out. */
  stub: string | null;
  /** The steeper arm of a forked limb. */
  arm: string | null;
  thick: boolean;
  forked: boolean;
  buds: Point[];
  tag: Point;
  armTag: Point;
}

export const TRUNK_X = 120;

const LIMBS = 15;
const THICK = [3, 10];
const FORKED = [1, 5, 8, 12];

/** The limbs of the sketch, bottom to top and turn about: longest and lowest first, a little above flat, drooping at the tip. */
export function sketchLimbs(): SketchLimb[] {
  return Array.from({ length: LIMBS }, (_, i) => {
    const share = i / (LIMBS - 1);
    const side = i % 2 === 0 ? 1 : -1;
    const thick = THICK.includes(i);
    const forked = FORKED.includes(i);
    const from: Point = { x: TRUNK_X + side * (4 - 3 * share), y: 344 - 300 * share };
    const reach = (96 - 58 * share) * (thick ? 1.05 : 0.84 + 0.16 * Math.abs(Math.sin(i * 2.4)));
    const rise = 20 - 6 * share;
    const along = (u: number): Point => ({ x: from.x + side * reach * u, y: from.y - rise * (2 * u - 1.25 * u * u) });
    const [mid, tip] = [along(0.5), along(1)];
    const fork = along(0.42);
    const armTip: Point = { x: fork.x + side * reach * 0.34, y: fork.y - 26 };
    const buds = Array.from({ length: Math.round(3 + 4 * (1 - share)) }, (_, b) => {
      const at = along(0.26 + (0.7 * b) / (2.6 + 4 * (1 - share)));
      return { x: at.x, y: at.y + (b % 3 === 2 ? 6 : -6) };
    });
    return {
      path: `M${at(from)}Q${at({ x: 2 * mid.x - (from.x + tip.x) / 2, y: 2 * mid.y - (from.y + tip.y) / 2 })} ${at(tip)}`,
      stub: thick ? `M${at(from)}L${at(along(0.09))}` : null,
      arm: forked ? `M${at(fork)}L${at(armTip)}` : null,
      thick, forked, buds,
      tag: { x: along(0.62).x, y: along(0.62).y - 1 },
      armTag: armTip,
    };
  });
}

function at(point: Point) {
  return `${point.x.toFixed(1)} ${point.y.toFixed(1)}`;
}
