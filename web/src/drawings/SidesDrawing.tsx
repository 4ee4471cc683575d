import type { SidesView } from '../api/client';
import { useReading } from '../words/useReading';
import { Hatch } from './Hatch';
import './sides.css';

const ALLEY = 58;
const HEIGHT = 40;
const LEFT = 78;
/** More would not be read; they go on in the same turn. */
export const MOST_ALLEYS = 14;

/**
 * Alleys from above, season below season: rows stand between them, and both rows beside an alley face it in the same
 * state.
 */
export function SidesDrawing({ calendar, season }: { calendar: SidesView['calendar']; season: number }) {
  const { t } = useReading();
  const alleys = Math.min(MOST_ALLEYS, calendar[0]?.alleys.length ?? 0);
  const width = LEFT + alleys * ALLEY + 12;
  const top = 26;
  const height = top + calendar.length * (HEIGHT + 8) + 6;
  return (
    <svg
      className="sides"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={t('sides.drawing')}
    >
      <Hatch id="sides-cut" />
      {Array.from({ length: alleys }, (_, i) => (
        <text key={i} x={LEFT + (i + 0.5) * ALLEY} y={16} textAnchor="middle" className="sides-name">
          {t('sides.alley', { alley: i + 1 })}
        </text>
      ))}
      {calendar.map((s, k) => {
        const y = top + k * (HEIGHT + 8);
        return (
          <g key={s.season} className={s.season === season ? 'sides-now' : undefined} data-test={`sides-${s.season}`}>
            <text x={6} y={y + HEIGHT / 2 + 5} className="sides-season">
              {s.season}
            </text>
            {s.alleys.slice(0, alleys).map((state, i) => {
              const x = LEFT + i * ALLEY;
              return (
                <g key={i}>
                  <rect x={x} y={y} width={ALLEY} height={HEIGHT} className={`sides-alley sides-${state}`} />
                  {state === 'renewed' && (
                    <rect x={x} y={y} width={ALLEY} height={HEIGHT} fill="url(#sides-cut)" className="sides-hatch" />
                  )}
                  <text x={x + ALLEY / 2} y={y + HEIGHT / 2 + 5} textAnchor="middle" className="sides-letter">
                    {t(`sides.letter.${state}`)}
                  </text>
                </g>
              );
            })}
            {/* Rows of trees between the alleys. */}
            {Array.from({ length: Math.max(0, alleys - 1) }, (_, i) => (
              <g key={i}>
                {[0.2, 0.5, 0.8].map((at) => (
                  <circle key={at} cx={LEFT + (i + 1) * ALLEY} cy={y + HEIGHT * at} r={4.5} className="sides-tree" />
                ))}
              </g>
            ))}
          </g>
        );
      })}
    </svg>
  );
}
