import type { CardDrawnCut, FruitTree, Point, Branch } from '../api/client';
import { SHOOT_REACH_M } from './buds';
import { M_PER_FT, type UnitSystem } from '../units/system';

/** From where a tree is looked at: from the alley, along the row, or from the end of the row, across it. */
export type View = 'along' | 'across';

export interface Spot {
  x: number;
  y: number;
}

/** Metres of a tree on a drawing. */
export interface Frame {
  /** Pixels for each metre. */
  scale: number;
  /** Where the foot of the trunk stands. */
  foot: Spot;
}

/** How much of each branch is left and which buds fell, after some cuts. */
export interface Standing {
  left: Map<number, number>;
  fallen: Set<number>;
}

export function standingAfter(cuts: readonly CardDrawnCut[]): Standing {
  const left = new Map<number, number>();
  const fallen = new Set<number>();
  for (const cut of cuts) {
    for (const gone of cut.wood) left.set(gone.branch, gone.fromM);
    for (const bud of cut.buds) fallen.add(bud);
  }
  return { left, fallen };
}

const acrossOf = (place: Point, view: View) => (view === 'along' ? place.alongM : place.acrossM);

/** How far behind the drawing a place lies; what is nearer is drawn later. */
export const depthOf = (place: Point, view: View) => (view === 'along' ? place.acrossM : -place.alongM);

export function project(place: Point, view: View, frame: Frame): Spot {
  return { x: frame.foot.x + acrossOf(place, view) * frame.scale, y: frame.foot.y - place.heightM * frame.scale };
}

/** Pixels kept free over a tree, and metres. */
const OVER = 18;
const OVER_M = 0.12;

/** How far a tree reaches to the sides, in either view, and how high. */
function extentOf(tree: FruitTree): { reach: number; top: number } {
  let [reach, top] = [0.4, 0];
  for (const branch of tree.branches)
    for (const place of branch.path) {
      reach = Math.max(reach, Math.abs(place.alongM), Math.abs(place.acrossM));
      top = Math.max(top, place.heightM);
    }
  // Bearing shoots grow on beyond their limbs.
  if (tree.buds.some((b) => b.kind === 'fruitingShoot')) [reach, top] = [reach + SHOOT_REACH_M, top + SHOOT_REACH_M];
  return { reach, top };
}

/** Fits a tree into a drawing, its foot on the ground; both views have the same scale. */
export function frameOf(
  tree: FruitTree,
  width: number,
  height: number,
  ground: number,
  margin: number,
  atLeastM = 0,
): Frame {
  const { reach, top } = extentOf(tree);
  const most = Math.max(top, Math.min(atLeastM, 12)) + OVER_M;
  const scale = Math.max(10, Math.min((width / 2 - margin) / reach, (height - ground - OVER) / most));
  return { scale, foot: { x: width / 2, y: height - ground } };
}

/** Height of a drawing that a tree fills over its whole width; at most so high. */
export function heightFor(tree: FruitTree, width: number, most: number, ground: number, margin: number): number {
  const { reach, top } = extentOf(tree);
  return Math.min(most, Math.ceil(ground + OVER + ((width / 2 - margin) / reach) * (top + OVER_M)));
}

/** Places of a branch between two distances from its base, with the distance of each. */
export function stretch(branch: Branch, from: number, to: number): { place: Point; at: number }[] {
  const points: { place: Point; at: number }[] = [];
  let run = 0;
  for (let i = 0; i < branch.path.length; i++) {
    const here = branch.path[i]!;
    if (i > 0) {
      const before = branch.path[i - 1]!;
      const piece = Math.hypot(
        here.alongM - before.alongM,
        here.acrossM - before.acrossM,
        here.heightM - before.heightM,
      );
      const between = (at: number): Point => {
        const share = piece > 0 ? (at - run) / piece : 0;
        return {
          alongM: before.alongM + (here.alongM - before.alongM) * share,
          acrossM: before.acrossM + (here.acrossM - before.acrossM) * share,
          heightM: before.heightM + (here.heightM - before.heightM) * share,
        };
      };
      if (from > run && from < run + piece) points.push({ place: between(from), at: from });
      if (to > run && to < run + piece) {
        points.push({ place: between(to), at: to });
        return points;
      }
      run += piece;
    }
    if (run >= from - 1e-9 && run <= to + 1e-9) points.push({ place: here, at: run });
  }
  return points;
}

/** The place so far along a branch. */
export function placeAt(branch: Branch, at: number): Point {
  return stretch(branch, 0, Math.min(at, branch.lengthM)).at(-1)?.place ?? branch.path[0]!;
}

/** Pixels wood is drawn wider than to scale, so that thin wood is seen and still tapers. */
const WIDER = 0.8;

/** Outline of tapered wood, less than a pixel wider than to scale. */
export function woodPath(branch: Branch, from: number, to: number, view: View, frame: Frame, least = 0): string {
  const points = stretch(branch, from, to).map(({ place, at }) => ({
    ...project(place, view, frame),
    half: Math.max(least, (widthMm(branch, at) / 1000) * frame.scale + WIDER) / 2,
  }));
  if (points.length < 2) return '';
  const sides = points.map((p, i) => {
    const [a, b] = [points[Math.max(0, i - 1)]!, points[Math.min(points.length - 1, i + 1)]!];
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const [nx, ny] = [(-(b.y - a.y) / length) * p.half, ((b.x - a.x) / length) * p.half];
    return [
      { x: p.x + nx, y: p.y + ny },
      { x: p.x - nx, y: p.y - ny },
    ] as const;
  });
  const outline = [...sides.map((s) => s[0]), ...sides.map((s) => s[1]).reverse()];
  return `M${outline.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}Z`;
}

export function widthMm(branch: Branch, at: number): number {
  return branch.lengthM > 0
    ? branch.diameterMm + (branch.tipMm - branch.diameterMm) * Math.min(1, at / branch.lengthM)
    : branch.diameterMm;
}

/** A height marked on the scale at the edge. */
export interface ScaleMark {
  /** Metres above the ground. */
  at: number;
  /** The same in the reader's unit. */
  told: number;
  unit: 'm' | 'ft';
}

const MARK_PX = 16;

/** Heights to mark on the scale at the edge: half or whole metres, or whole feet. */
export function scaleMarks(frame: Frame, system: UnitSystem): ScaleMark[] {
  const [unit, metres] = system === 'us' ? ['ft' as const, M_PER_FT] : ['m' as const, 1];
  // A mark needs room for its words above it.
  const top = (frame.foot.y - MARK_PX) / frame.scale / metres;
  const step = system === 'us' ? (top > 12 ? 4 : 2) : top > 3.8 ? 1 : 0.5;
  const marks = Array.from({ length: Math.floor(top / step) }, (_, i) => (i + 1) * step);
  return marks.map((told) => ({ at: told * metres, told, unit }));
}

/** What falls with a branch cut at a length: metres left of every piece that loses some. */
export function fallsWith(tree: FruitTree, branch: number, leaveM: number, standing: Standing): Map<number, number> {
  const falling = new Map([[branch, leaveM]]);
  for (const b of tree.branches) {
    if (b.parent === null) continue;
    const on = falling.get(b.parent);
    if (on !== undefined && b.atM > on && (standing.left.get(b.id) ?? b.lengthM) > 0) falling.set(b.id, 0);
  }
  return falling;
}

/** Whether a place on a branch is among them. */
export const falls = (falling: Map<number, number>, branch: number, at: number) =>
  (falling.get(branch) ?? Infinity) < at;

/** Floral buds that would fall with a branch cut at a length. */
export function budsFalling(tree: FruitTree, branch: number, leaveM: number, standing: Standing): number {
  const falling = fallsWith(tree, branch, leaveM, standing);
  return tree.buds.reduce(
    (sum, b) => (b.floral && !standing.fallen.has(b.id) && falls(falling, b.branch, b.atM) ? sum + b.count : sum),
    0,
  );
}
