import { useReading } from '../words/useReading';
import { foretoldMarks, type Foretold } from './foretold';
import './foretold.css';

const WIDTH = 420,
  HEIGHT = 120;

/** Season by season what was foretold, with eight years in ten inside its bar, and a dot for what was seen. */
export function ForetoldSeasons({
  seasons,
  shipped,
  unit,
  decimals = 0,
  label,
}: {
  seasons: readonly (Foretold & { atLeast: boolean })[];
  /** The number Rama comes with; null where that differs from season to season. */
  shipped: number | null;
  unit: string;
  decimals?: number;
  label: string;
}) {
  const { told } = useReading();
  const { marks, shipped: usual } = foretoldMarks(seasons, shipped, WIDTH, HEIGHT);
  return (
    <svg className="foretold" viewBox={`0 0 ${WIDTH} ${HEIGHT + 20}`} role="img" aria-label={label}>
      {usual !== null && <line x1={0} x2={WIDTH} y1={usual} y2={usual} className="foretold-usual" />}
      {marks.map((m, i) => {
        const s = seasons[i]!;
        return (
          <g key={s.season}>
            <rect x={m.x - 9} width={18} y={m.high} height={m.low - m.high} className="foretold-band" />
            <line x1={m.x - 9} x2={m.x + 9} y1={m.foretold} y2={m.foretold} className="foretold-mean" />
            {s.atLeast ? (
              <path d={`M${m.x - 6} ${m.seen + 5}h12l-6 -10z`} className="foretold-seen" />
            ) : (
              <circle cx={m.x} cy={m.seen} r={5} className="foretold-seen" />
            )}
            <text x={m.x + 14} y={m.seen + 4}>
              {told(s.seen, unit, decimals)}
            </text>
            <text x={m.x} y={HEIGHT + 15} textAnchor="middle">
              {s.season}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
