import type { BareLeader } from '../api/client';
import type { UnitSystem } from '../units/system';

type Bud = BareLeader['buds'][number];

/** Where a bud is drawn; `turn` leans it to the side it points to. */
export interface DrawnBud {
  bud: Bud;
  x: number;
  y: number;
  turn: number;
  isFront: boolean;
}

const TOP = 16;
const FOOT = 14;
const TIP = 3;
const BASE = 8;
/** Marks of a scale: 20 cm, or 8 in. */
const MARKS = { metric: { cm: 20, told: 20, unit: 'cm' }, us: { cm: 8 * 2.54, told: 8, unit: 'in' } } as const;

/** A leader laid out in its drawing, tip up; what points away is drawn nearer to the wood. */
export function leaderLayout(leader: BareLeader, width: number, height: number, units: UnitSystem) {
  const every = MARKS[units];
  const middle = width / 2;
  const perCm = (height - TOP - FOOT) / leader.lengthCm;
  const yOf = (belowTip: number) => TOP + belowTip * perCm;
  const thickAt = (belowTip: number) => TIP + ((BASE - TIP) * belowTip) / leader.lengthCm;
  const bottom = yOf(leader.lengthCm);
  const buds: DrawnBud[] = leader.buds.map((bud) => {
    const angle = (bud.azimuthDeg * Math.PI) / 180;
    const side = Math.sin(angle);
    return {
      bud,
      x: middle + side * (thickAt(bud.belowTipCm) + 7),
      y: yOf(bud.belowTipCm),
      turn: side * 38,
      isFront: Math.cos(angle) >= -0.3,
    };
  });
  return {
    stem: [
      `M${middle - TIP} ${TOP}L${middle - BASE} ${bottom + FOOT}H${middle + BASE}L${middle + TIP} ${TOP}`,
      `Q${middle} ${TOP - 12} ${middle - TIP} ${TOP}Z`,
    ].join(''),
    buds: buds.sort((a, b) => Number(a.isFront) - Number(b.isFront)),
    bands: leader.bandsCm.map((cm) => ({
      x: middle - thickAt(cm) - 4,
      y: yOf(cm),
      width: (thickAt(cm) + 4) * 2,
    })),
    marks: Array.from({ length: Math.floor(leader.lengthCm / every.cm) + 1 }, (_, i) => ({
      told: `${i * every.told} ${every.unit}`,
      y: yOf(i * every.cm),
    })),
  };
}
