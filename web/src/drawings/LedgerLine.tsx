import { useId } from 'react';
import type { LedgerGlance } from '../api/client';
import { useReading } from '../words/useReading';
import { Hatch } from './Hatch';
import './ledger.css';

const WIDTH = 320;

/**
 * The bud ledger in one line, for lists: plum left, hatched what falls, the band wanted behind, whiskers of the count.
 */
export function LedgerLine({ ledger, scale }: { ledger: LedgerGlance; scale: number }) {
  const { t, number } = useReading();
  const hatch = useId();
  const x = (buds: number) => (Math.max(0, buds) / scale) * (WIDTH - 4);
  const { standing, left } = ledger;
  const label =
    standing && left !== null
      ? t('ledger.summary', {
          standing: number(standing.mean, 0),
          left: number(left, 0),
          wanted: number(ledger.wanted, 0),
        })
      : t('ledger.summary-wanted', { wanted: number(ledger.wanted, 0) });
  return (
    <svg className="ledger-line" viewBox={`0 0 ${WIDTH} 40`} role="img" aria-label={label}>
      <Hatch id={hatch} />
      <rect
        x={x(ledger.bandLow)}
        width={x(ledger.bandHigh) - x(ledger.bandLow)}
        y={0}
        height={40}
        fill="var(--lichen-tint)"
      />
      {left !== null && <rect x={0} width={x(left)} y={9} height={22} fill="var(--plum)" />}
      {standing && left !== null && standing.mean - left > 0.5 && (
        <rect
          x={x(left)}
          width={x(standing.mean) - x(left)}
          y={9}
          height={22}
          fill={`url(#${hatch})`}
          stroke="var(--straw)"
        />
      )}
      <line x1={x(ledger.wanted)} x2={x(ledger.wanted)} y1={0} y2={40} stroke="var(--lichen)" strokeWidth={2} />
      {standing?.low != null && standing.high != null && (
        <g className="ledger-whiskers">
          {['under', 'over'].map((layer) => (
            <path
              key={layer}
              className={layer}
              d={`M${x(standing.low!)} 15v10M${x(standing.low!)} 20H${x(standing.high!)}M${x(standing.high!)} 15v10`}
            />
          ))}
        </g>
      )}
      {left !== null && x(left) > 44 && (
        <text x={8} y={25} fill="var(--on-ink)">
          {number(left, 0)}
        </text>
      )}
    </svg>
  );
}
