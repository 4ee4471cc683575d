import type { Branch, BudSite } from '../api/client';
import { project, stretch, widthMm, type Frame, type Spot, type View } from './tree';

/** A bud as it is drawn: the short wood that carries it, from the bark to the bud. */
export interface DrawnBud extends Spot {
  foot: Spot;
  /** Degrees it is turned from upright. */
  turn: number;
}

/** Length of the short wood that carries a bud, metres: a spur's, or hardly any. Nobody measures it: assumption. */
const SPUR_M = [0.02, 0.05] as const;
const SEATED_M = 0.006;
/** How far it leans to the tip of its wood, as a share of how far it stands off. */
const LEANS = 0.45;
/** Length of a bearing shoot, metres: a strong one's and a thin one's. */
const SHOOT_M = { fat: [0.3, 0.46], thin: [0.18, 0.28] } as const;
/** Angle a bearing shoot leaves its limb at, degrees. */
const SHOOT_DEG = [32, 62] as const;

/** Most a bearing shoot reaches beyond its limb, metres. */
export const SHOOT_REACH_M = 0.4;

/** Something nobody counted, between two bounds, the same for a bud each time. */
const of = (id: number, [low, high]: readonly [number, number], salt: number) =>
  low + (((id * 2654435761 + salt * 40503) >>> 8) % 1000) * ((high - low) / 1000);

/** The wood at a bud: its place, the way to the tip, and the way up from it. */
function seat(bud: BudSite, branch: Branch, view: View, frame: Frame) {
  const here = stretch(branch, Math.max(0, bud.atM - 0.02), Math.min(branch.lengthM, bud.atM + 0.02)).map((p) =>
    project(p.place, view, frame),
  );
  const [a, b] = [here[0]!, here.at(-1)!];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const along = length > 0.01 ? { x: (b.x - a.x) / length, y: (b.y - a.y) / length } : { x: 1, y: 0 };
  let up = { x: -along.y, y: along.x };
  if (up.y > 0) up = { x: -up.x, y: -up.y };
  return { at: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, along, up };
}

/** How far to the upper side of its wood a bud stands; what sits at the side is left or right by its number. */
const sideOf = (bud: BudSite) =>
  bud.side === 'under' ? -1 : bud.side === 'upper' ? 1 : bud.id % 2 === 0 ? 0.75 : -0.6;

/** Where a bud is drawn: beside the wood, on the side it sits on, on its spur. */
export function budSpot(bud: BudSite, branch: Branch, view: View, frame: Frame): DrawnBud {
  const { at, along, up } = seat(bud, branch, view, frame);
  if (bud.kind === 'terminal') return { ...at, foot: at, turn: (Math.atan2(along.y, along.x) * 180) / Math.PI + 90 };
  const side = sideOf(bud);
  const bark = ((widthMm(branch, bud.atM) / 2000) * frame.scale + 0.3) * Math.sign(side);
  const out = (bud.kind === 'spur' && bud.floral ? of(bud.id, SPUR_M, 1) : SEATED_M) * frame.scale * side;
  const foot = { x: at.x + up.x * bark, y: at.y + up.y * bark };
  const lean = Math.abs(out) * LEANS;
  const spot = { x: foot.x + up.x * out + along.x * lean, y: foot.y + up.y * out + along.y * lean };
  return { ...spot, foot, turn: (Math.atan2(spot.y - foot.y, spot.x - foot.x) * 180) / Math.PI + 90 };
}

/** Half the length of a bud on a drawing, pixels: to scale as far as it can be seen and does not hide the tree. */
export const budSize = (frame: Frame) => Math.min(4.6, Math.max(1.4, frame.scale * 0.0175));

/** A bearing shoot as it is drawn: where it leaves its limb, where it bends, its tip, and the buds along it. */
export interface DrawnShoot {
  foot: Spot;
  bend: Spot;
  tip: Spot;
  buds: readonly Spot[];
}

/** A one-year shoot that bears, out of its limb towards the tip, a little upwards at its end. */
export function shootSpot(bud: BudSite, branch: Branch, view: View, frame: Frame): DrawnShoot {
  const { at: foot, along, up } = seat(bud, branch, view, frame);
  const side = Math.sign(sideOf(bud));
  const length = of(bud.id, bud.fat ? SHOOT_M.fat : SHOOT_M.thin, 2) * frame.scale;
  const turn = (of(bud.id, SHOOT_DEG, 3) * Math.PI) / 180;
  const way = {
    x: along.x * Math.cos(turn) + up.x * side * Math.sin(turn),
    y: along.y * Math.cos(turn) + up.y * side * Math.sin(turn),
  };
  const bend = { x: foot.x + way.x * length * 0.55, y: foot.y + way.y * length * 0.55 };
  const tip = { x: foot.x + way.x * length, y: foot.y + way.y * length - length * 0.12 };
  const many = Math.max(3, Math.min(9, Math.round(length / 9)));
  const buds = Array.from({ length: many }, (_, i) => {
    const s = 0.25 + (0.7 * i) / (many - 1);
    const beside = i % 2 === 0 ? 1.3 : -1.3;
    return {
      x: (1 - s) ** 2 * foot.x + 2 * s * (1 - s) * bend.x + s * s * tip.x - way.y * beside,
      y: (1 - s) ** 2 * foot.y + 2 * s * (1 - s) * bend.y + s * s * tip.y + way.x * beside,
    };
  });
  return { foot, bend, tip, buds };
}
