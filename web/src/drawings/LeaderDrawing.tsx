import type { BareLeader } from '../api/client';
import type { UnitSystem } from '../units/system';
import { useReading } from '../words/useReading';
import { leaderLayout } from './leaderLayout';
import './leader.css';

/** A bare leader with its buds, each on the side it points to: kept ones full, others crossed; bands of an agent. */
export function LeaderDrawing({
  leader,
  width,
  height,
  label,
  units,
  onTurn,
}: {
  leader: BareLeader;
  width: number;
  height: number;
  label: string;
  /** Units of the scale, where they are not the reader's. */
  units?: UnitSystem;
  /** A bud chosen, to be kept or taken instead. */
  onTurn?: (bud: number) => void;
}) {
  const { system } = useReading();
  const { stem, buds, bands, marks } = leaderLayout(leader, width, height, units ?? system);
  return (
    <svg
      className="leader"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
    >
      {marks.map((m) => (
        <g key={m.told} className="leader-mark">
          <line x1={0} x2={width} y1={m.y} y2={m.y} />
          <text x={4} y={m.y - 3}>
            {m.told}
          </text>
        </g>
      ))}
      <path d={stem} className="leader-wood" />
      {bands.map((b) => (
        <rect key={b.y} x={b.x} y={b.y - 5} width={b.width} height={10} rx={2} className="leader-band" />
      ))}
      {buds.map(({ bud, x, y, turn, isFront }) => {
        const isOff = bud.fate === 'off' || bud.fate === 'topOff';
        const turns = onTurn && bud.fate !== 'topOff';
        return (
          <g
            key={bud.number}
            className={`leader-bud leader-${bud.fate}${isFront ? '' : ' leader-behind'}`}
            transform={`translate(${x} ${y})`}
            {...(turns && {
              onClick: () => {
                onTurn(bud.number);
              },
              'data-test': `bud-${bud.number}`,
            })}
          >
            {turns && <circle r={9} className="leader-hit" />}
            <ellipse
              rx={bud.fate === 'kept' ? 5 : 3.4}
              ry={bud.fate === 'kept' ? 7.5 : 5}
              transform={`rotate(${turn})`}
            />
            {isOff && <path d="M-4 -4L4 4M-4 4L4 -4" />}
          </g>
        );
      })}
    </svg>
  );
}

/** The leader from above: where the kept buds point to. */
export function LeaderFromAbove({ leader, size }: { leader: BareLeader; size: number }) {
  const middle = size / 2;
  const shown = leader.buds.filter((b) => b.fate === 'kept' || b.fate === 'banded');
  return (
    <svg className="leader" width={size} height={size} viewBox={`0 0 ${size} ${size}`} aria-hidden>
      <circle cx={middle} cy={middle} r={middle - 8} className="leader-round" />
      <path d={`M${middle} 8V${size - 8}M8 ${middle}H${size - 8}`} className="leader-quarters" />
      {shown.map((b, i) => {
        const angle = (b.azimuthDeg * Math.PI) / 180;
        const far = (middle - 14) * (1 - (0.45 * i) / Math.max(1, shown.length));
        const [x, y] = [middle + Math.sin(angle) * far, middle - Math.cos(angle) * far];
        return (
          <g key={b.number}>
            <line x1={middle} y1={middle} x2={x} y2={y} className="leader-spoke" />
            <circle cx={x} cy={y} r={4.5} className="leader-dot" />
          </g>
        );
      })}
      <circle cx={middle} cy={middle} r={6} className="leader-wood" />
    </svg>
  );
}
