import type { RenewalView } from '../api/client';
import { useReading } from '../words/useReading';
import './years.css';

type Winters = NonNullable<NonNullable<RenewalView['ledger']>['forecast']>['winters'];

const HEIGHT = 120;
const TOP = 22;
const LEFT = 26;
const BAR = 15;
/** Older ones stand together in the last bar. */
const MOST_AGES = 10;

/** Limbs by age, winter beside winter: the oldest go, as many young ones come. */
export function AgesDrawing({ winters, season, bearing }: { winters: Winters; season: number; bearing: number }) {
  const { t, number } = useReading();
  const ages = winters.map((w) => [
    ...w.byAge.slice(0, MOST_AGES - 1),
    w.byAge.slice(MOST_AGES - 1).reduce((sum, n) => sum + n, 0),
  ]);
  const most = Math.max(1, ...ages.flat());
  const shown = Math.max(...ages.map((limbs) => limbs.findLastIndex((n) => n >= 0.05) + 1));
  const width = LEFT + Math.max(shown, 8) * (BAR + 2) + 4;
  return (
    <div className="ages" role="img" aria-label={t('renewal.ages')} data-test="ages">
      {winters.map((winter, w) => (
        <svg key={winter.winter} width={width} height={TOP + HEIGHT + 48} aria-hidden>
          <text x={LEFT} y={14} className="ages-name">
            {t('renewal.winter', { season: season + winter.winter })}
          </text>
          <line x1={LEFT} x2={LEFT + shown * (BAR + 2)} y1={TOP + HEIGHT} y2={TOP + HEIGHT} className="ages-ground" />
          {ages[w]!.slice(0, shown).map((limbs, i) => {
            const high = ((HEIGHT - 16) * limbs) / most;
            const x = LEFT + i * (BAR + 2);
            return (
              <g key={i}>
                <rect
                  x={x}
                  y={TOP + HEIGHT - high}
                  width={BAR}
                  height={high}
                  className={i + 1 > bearing ? 'ages-old' : 'ages-bar'}
                />
                {limbs >= 0.05 && (
                  <text x={x + BAR / 2} y={TOP + HEIGHT - high - 4} textAnchor="middle" className="ages-number">
                    {number(limbs, limbs < 9.95 && limbs % 1 >= 0.05 ? 1 : 0)}
                  </text>
                )}
                <text x={x + BAR / 2} y={TOP + HEIGHT + 14} textAnchor="middle" className="ages-age">
                  {i + 1}
                  {i + 1 === MOST_AGES && '+'}
                </text>
              </g>
            );
          })}
          <text x={LEFT - 4} y={TOP + HEIGHT + 14} textAnchor="end" className="ages-age">
            {t('renewal.age')}
          </text>
          <text x={LEFT} y={TOP + HEIGHT + 36} className="ages-mean">
            {t('renewal.mean-age', { age: number(winter.meanYears, 2) })}
          </text>
        </svg>
      ))}
      <p className="small dim ages-key">
        <span className="ages-swatch" /> {t('renewal.old-key', { age: number(bearing) })}
      </p>
    </div>
  );
}
