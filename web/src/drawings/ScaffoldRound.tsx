import type { RenewalView } from '../api/client';
import { useReading } from '../words/useReading';
import './years.css';

type Scaffolds = NonNullable<RenewalView['ledger']>['scaffolds'];

const SIZE = 264;
const R = 88;

/** A broad canopy from above: each scaffold with the season it went last, the next one in plum. */
export function ScaffoldRound({ scaffolds, next }: { scaffolds: Scaffolds; next: number | null }) {
  const { t } = useReading();
  const middle = SIZE / 2;
  return (
    <svg width={SIZE} height={SIZE} role="img" aria-label={t('renewal.scaffolds')} data-test="scaffold-round">
      <circle cx={middle} cy={middle} r={R + 24} className="round-canopy" />
      {scaffolds.map((s, i) => {
        const turn = (2 * Math.PI * i) / scaffolds.length - Math.PI / 2 + Math.PI / scaffolds.length;
        const [x, y] = [middle + R * Math.cos(turn), middle + R * Math.sin(turn)];
        const [tx, ty] = [middle + 0.62 * R * Math.cos(turn), middle + 0.62 * R * Math.sin(turn)];
        return (
          <g key={s.number} className={s.number === next ? 'round-next' : undefined}>
            <line x1={middle} y1={middle} x2={x} y2={y} className="round-wood" />
            <rect x={tx - 27} y={ty - 17} width={54} height={34} rx={6} className="round-tag" />
            <text x={tx} y={ty - 3} textAnchor="middle" className="round-number">
              {s.number}
            </text>
            <text x={tx} y={ty + 12} textAnchor="middle" className="round-season">
              {s.lastSeason ?? t('renewal.scaffold-never')}
            </text>
          </g>
        );
      })}
      <circle cx={middle} cy={middle} r={9} className="round-trunk" />
      <text x={middle} y={13} textAnchor="middle" className="round-season">
        N
      </text>
    </svg>
  );
}
