import { useReading } from '../words/useReading';
import { dotsOf, heightOf } from './checkLanes';
import './checkLane.css';

const WIDTH = 620,
  HEIGHT = 72;

/**
 * Trees checked of one pruner, crew or planting in their order: the band wanted behind, as on the ledger, a dot a tree,
 * its shape telling where it lies.
 */
export function CheckLane({
  trees,
  places,
  tolerance,
  label,
}: {
  trees: readonly { place: number; share: number; title: string }[];
  places: number;
  tolerance: number;
  label: string;
}) {
  const { number } = useReading();
  const y = (share: number) => heightOf(share, HEIGHT);
  return (
    <svg className="check-lane" viewBox={`0 0 ${WIDTH + 44} ${HEIGHT}`} role="img" aria-label={label}>
      <rect
        x={0}
        width={WIDTH}
        y={y(1 + tolerance)}
        height={y(1 - tolerance) - y(1 + tolerance)}
        fill="var(--lichen-tint)"
      />
      <line x1={0} x2={WIDTH} y1={y(1)} y2={y(1)} stroke="var(--lichen)" strokeWidth={2} />
      {dotsOf(trees, places, WIDTH, HEIGHT).map((dot, i) => {
        const { share, title } = trees[i]!;
        const at = Math.min(HEIGHT - 6, Math.max(6, dot.y));
        return (
          <g key={trees[i]!.place} className="check-dot">
            <title>{title}</title>
            {share > 1 + tolerance ? (
              <path d={`M${dot.x} ${at - 6}l6 10h-12z`} className="check-dot-over" />
            ) : share < 1 - tolerance ? (
              <path d={`M${dot.x} ${at + 6}l6 -10h-12z`} className="check-dot-under" />
            ) : (
              <circle cx={dot.x} cy={at} r={4.5} />
            )}
          </g>
        );
      })}
      <text x={WIDTH + 6} y={y(1) + 4}>
        {number(100, 0)} %
      </text>
    </svg>
  );
}
