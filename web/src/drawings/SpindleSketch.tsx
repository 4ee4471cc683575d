import type { PruningCard } from '../api/client';
import { sketchLimbs, TRUNK_X, type SketchLimb } from './spindle';

/** A typical spindle in black and white with the numbered cuts: pale what goes, dark what stays. */
export function SpindleSketch({ cuts }: { cuts: PruningCard['cuts'] }) {
  const numberOf = (step: string) => cuts.find((c) => c.stepId === step && c.made)?.number;
  const [thick, fork, spur] = ['thick-limbs', 'forks', 'spurs'].map(numberOf);
  const limbs = sketchLimbs();
  const firstSpur = limbs.findIndex((l) => !l.thick && !l.forked);
  return (
    <svg viewBox="0 0 240 420" aria-hidden>
      <line x1={10} x2={230} y1={404} y2={404} stroke="#000" strokeWidth={1.2} />
      <path d={`M${TRUNK_X - 6} 404 L${TRUNK_X - 1.2} 14 L${TRUNK_X + 1.2} 14 L${TRUNK_X + 6} 404Z`} fill="#222" />
      <ellipse cx={TRUNK_X} cy={388} rx={10} ry={7} fill="#222" />
      {limbs.map((limb, i) => <Limb key={i} limb={limb} thick={thick} fork={fork} spur={i === firstSpur || i === firstSpur + 5 ? spur : undefined} />)}
    </svg>
  );
}

function Limb({ limb, thick, fork, spur }: { limb: SketchLimb; thick: number | undefined; fork: number | undefined; spur: number | undefined }) {
  const goes = limb.thick && thick !== undefined;
  const ink = goes ? '#aaa' : '#222';
  const armGoes = goes || fork !== undefined;
  return (
    <g fill="none" strokeLinecap="round">
      <path d={limb.path} stroke={ink} strokeWidth={limb.thick ? 6 : 3} strokeDasharray={goes ? '6 4' : undefined} />
      {limb.stub && goes && <path d={limb.stub} stroke="#222" strokeWidth={6.5} />}
      {limb.arm && <path d={limb.arm} stroke={armGoes ? '#aaa' : '#222'} strokeWidth={2.4} strokeDasharray={armGoes ? '5 3' : undefined} />}
      {limb.buds.map((bud, i) => <ellipse key={i} cx={bud.x} cy={bud.y} rx={2.6} ry={4} fill={goes ? '#ccc' : '#222'} stroke="none" />)}
      {goes && <Tag at={limb.tag} number={thick} />}
      {limb.arm && fork !== undefined && !goes && <Tag at={limb.armTag} number={fork} />}
      {spur !== undefined && <Tag at={{ x: limb.tag.x, y: limb.tag.y + 16 }} number={spur} />}
    </g>
  );
}

function Tag({ at, number }: { at: { x: number; y: number }; number: number }) {
  return (
    <g>
      <circle cx={at.x} cy={at.y} r={9} fill="#fff" stroke="#000" strokeWidth={1.6} />
      <text x={at.x} y={at.y + 4.2} textAnchor="middle" fontFamily="Bitter, serif" fontWeight={700} fontSize={12} fill="#000">{number}</text>
    </g>
  );
}
