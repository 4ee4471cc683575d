import type { BenchCut, Branch, CardDrawnCut, FruitTree } from '../api/client';
import { placeAt, project, stretch, widthMm, type Frame, type Spot, type Standing, type View } from './tree';

type LocalText = NonNullable<BenchCut['step']>;

/** A cut as it is drawn; those of the bench also tell their step. */
export type DrawnCut = CardDrawnCut & { stepId?: string | null; step?: LocalText | null };

/** Cuts of one step from so many on are told as one, with a bracket. */
const BRACKET_FROM = 7;
const MOST_BRACKETS = 2;
/** Pixels of a drawing there are for each number. */
const ROOM = 13_000;
const LEAST_NUMBERS = 9;
const RADII = [20, 28, 38, 50, 64, 82];
const ANGLES = 20;
/** How much worse a number stands on a limb than a pixel further out. */
const ON_LIMB = 14;

/** A cut with its place on the drawing. */
export interface Marked {
  cut: DrawnCut;
  come: boolean;
  /** Where it falls. */
  place: Spot;
  /** The way of the wood there, to draw the cut across it. */
  along: Spot;
  /** Diameter of the wood there, mm. */
  thickMm: number;
}

/** A number at a cut. */
export interface Tag extends Marked {
  spot: Spot;
  now: boolean;
}

/** Many cuts of one step, from the highest to the lowest. */
export interface Bracket {
  step: LocalText;
  count: number;
  top: number;
  bottom: number;
}

export interface Tagged {
  tags: readonly Tag[];
  /** Cuts without a number: small ones, and those a bracket tells. */
  marks: readonly Marked[];
  brackets: readonly Bracket[];
}

/** What numbers keep clear of, in pixels: a box, and words on the drawing. */
export interface Room {
  width: number;
  height: number;
  /** Where the ground begins. */
  ground: number;
  /** Half the size of a number. */
  tag: number;
  words: readonly { x: number; y: number; width: number; height: number }[];
}

/** Where each cut falls on the drawing. */
export function markedCuts(
  tree: FruitTree,
  made: readonly DrawnCut[],
  ahead: readonly DrawnCut[],
  view: View,
  frame: Frame,
): Marked[] {
  const mark = (cut: DrawnCut, come: boolean): Marked => {
    // What grows on a branch comes after it, so the first is the one cut.
    const first = cut.wood.reduce((a, b) => (b.branch < a.branch ? b : a), cut.wood[0] ?? { branch: -1, fromM: 0 });
    const branch = tree.branches[first.branch];
    const place = project(cut.at, view, frame);
    if (cut.bud !== null || !branch) return { cut, come, place, along: { x: 1, y: 0 }, thickMm: 0 };
    const [a, b] = [
      project(placeAt(branch, Math.max(0, first.fromM - 0.03)), view, frame),
      project(placeAt(branch, Math.min(branch.lengthM, first.fromM + 0.03)), view, frame),
    ];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const along = length > 0.01 ? { x: (b.x - a.x) / length, y: (b.y - a.y) / length } : { x: 1, y: 0 };
    return { cut, come, place, along, thickMm: widthMm(branch, first.fromM) };
  };
  return [...made.map((c) => mark(c, false)), ...ahead.map((c) => mark(c, true))];
}

/**
 * Which cuts get a number and where it stands: the cut at hand and big ones first, each beside its place, on nothing
 * that has to be seen. The rest are marks, and many of one step are told as one.
 */
export function tagged(marked: readonly Marked[], current: number | null, wood: readonly Wood[], room: Room): Tagged {
  const ofWood = marked.filter((m) => m.cut.bud === null || m.cut.number === current);
  const steps = new Map<string, Marked[]>();
  for (const m of ofWood)
    if (m.cut.stepId && m.cut.bud === null) steps.set(m.cut.stepId, [...(steps.get(m.cut.stepId) ?? []), m]);
  const many = [...steps.values()]
    .filter((group) => group.length >= BRACKET_FROM && group[0]!.cut.step)
    .sort((a, b) => b.length - a.length)
    .slice(0, MOST_BRACKETS);
  const told = new Set(many.flat());
  const isNow = (m: Marked) => !m.come && m.cut.number !== null && m.cut.number === current;
  const seen = new Set<number>();
  const rank = new Map(
    ofWood.map((m) => {
      const first = m.cut.number !== null && !seen.has(m.cut.number);
      if (m.cut.number !== null) seen.add(m.cut.number);
      return [m, (isNow(m) ? 1e6 : 0) + (first ? 0 : -1e3) + m.thickMm] as const;
    }),
  );
  const most = Math.max(LEAST_NUMBERS, Math.floor((room.width * room.height) / ROOM));
  const asking = ofWood
    .filter((m) => m.cut.number !== null && (isNow(m) || !told.has(m)))
    .sort((a, b) => rank.get(b)! - rank.get(a)!)
    .slice(0, most);
  const tags: Tag[] = [];
  for (const m of asking) {
    const now = isNow(m);
    const spot = standsAt(m, now, tags, ofWood, wood, room);
    if (spot) tags.push({ ...m, spot, now });
  }
  const numbered = new Set(tags.map((x) => x.cut));
  return {
    tags,
    marks: ofWood.filter((m) => !numbered.has(m.cut)),
    brackets: many.map((group) => ({
      step: group[0]!.cut.step!,
      count: group.length,
      top: Math.min(...group.map((m) => m.place.y)),
      bottom: Math.max(...group.map((m) => m.place.y)),
    })),
  };
}

/** A piece of wood numbers keep off: no number stands on a trunk or leader, on a limb only if it must. */
export interface Wood extends Spot {
  half: number;
  leads: boolean;
}

/** The wood that stands, in pieces small against a number. */
export function piecesOf(tree: FruitTree, standing: Standing, view: View, frame: Frame): Wood[] {
  return tree.branches.flatMap((branch) => {
    const left = standing.left.get(branch.id) ?? branch.lengthM;
    if (left <= 0) return [];
    const pieces = Math.max(1, Math.ceil((left * frame.scale) / 10));
    return pointsOf(branch, left, pieces).map((at) => ({
      ...project(at.place, view, frame),
      half: (widthMm(branch, at.at) / 2000) * frame.scale,
      leads: branch.kind === 'trunk' || branch.kind === 'leader',
    }));
  });
}

function pointsOf(branch: Branch, left: number, pieces: number) {
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const at = (left * i) / pieces;
    return { at, place: stretch(branch, 0, Math.max(at, 1e-6)).at(-1)?.place ?? branch.path[0]! };
  });
}

function standsAt(
  m: Marked,
  now: boolean,
  tags: readonly Tag[],
  others: readonly Marked[],
  wood: readonly Wood[],
  room: Room,
): Spot | null {
  const half = now ? room.tag + 3 : room.tag;
  let best: Spot | null = null;
  let least = Infinity;
  for (const radius of RADII)
    for (let i = 0; i < ANGLES; i++) {
      // Up and to the side first: where a number is looked for.
      const angle = -Math.PI / 4 + (i * 2 * Math.PI) / ANGLES;
      const spot = { x: m.place.x + radius * Math.cos(angle), y: m.place.y + radius * Math.sin(angle) };
      if (
        spot.x < half + 1 ||
        spot.x > room.width - half - 1 ||
        spot.y < half + 1 ||
        spot.y > room.ground - half - 1 ||
        room.words.some(
          (w) =>
            spot.x > w.x - half &&
            spot.x < w.x + w.width + half &&
            spot.y > w.y - half &&
            spot.y < w.y + w.height + half,
        ) ||
        tags.some(
          (o) =>
            far(o.spot, spot) < half + (o.now ? room.tag + 3 : room.tag) + 2 ||
            offLine(o.spot, m.place, spot) < room.tag ||
            offLine(spot, o.place, o.spot) < half,
        )
      )
        continue;
      let cost = radius + i * 0.05;
      for (const o of others) if (o !== m && far(o.place, spot) < half + 2) cost += ON_LIMB * 1.5;
      for (const w of wood) {
        const near = half + w.half - far(w, spot);
        if (near <= 0) continue;
        cost += w.leads ? 1e4 : ON_LIMB * Math.min(1, near / half);
        if (cost >= least) break;
      }
      if (cost < least) [least, best] = [cost, spot];
    }
  return least < 1e4 || now ? best : null;
}

const far = (a: Spot, b: Spot) => Math.hypot(a.x - b.x, a.y - b.y);

/** How far a place lies off a line between two others. */
function offLine(p: Spot, a: Spot, b: Spot): number {
  const length = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
  const t = length > 0 ? Math.min(1, Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length)) : 0;
  return far(p, { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
}
