import { useId } from 'react';
import { Hatch } from '../../drawings/Hatch';
import { useWidth } from '../../drawings/useWidth';
import { useReading } from '../../words/useReading';

/** The bud ledger of one tree in one line: plum left, hatched fallen, the band wanted behind. */
export function BenchLedger({
  left,
  before,
  wanted,
  low,
  high,
}: {
  left: number;
  before: number;
  wanted: number;
  low: number;
  high: number;
}) {
  const { t, number } = useReading();
  const hatch = useId();
  const [ref, width] = useWidth<HTMLDivElement>(322);
  const scale = (width - 4) / Math.max(before, high, 1);
  const x = (buds: number) => Math.max(0, buds) * scale;
  return (
    <div className="bench-ledger" ref={ref}>
      <svg
        width={width}
        height={66}
        role="img"
        aria-label={t('ledger.summary', {
          standing: number(before, 0),
          left: number(left, 0),
          wanted: number(wanted, 0),
        })}
      >
        <Hatch id={hatch} />
        <rect x={x(low)} width={x(high) - x(low)} y={2} height={38} fill="var(--lichen-tint)" />
        <rect x={0} width={x(left)} y={10} height={22} fill="var(--plum)" />
        {before - left > 0 && (
          <rect
            x={x(left)}
            width={x(before) - x(left)}
            y={10}
            height={22}
            fill={`url(#${hatch})`}
            stroke="var(--straw)"
          />
        )}
        <line x1={x(wanted)} x2={x(wanted)} y1={2} y2={40} stroke="var(--lichen)" strokeWidth={2} />
        <text
          x={Math.min(width - 20, Math.max(16, x(wanted)))}
          y={56}
          textAnchor="middle"
          className="bench-ledger-wanted"
        >
          {number(wanted, 0)}
        </text>
        {x(before) - x(wanted) > 74 && (
          <text x={x(before)} y={56} textAnchor="end" className="bench-ledger-before">
            {t('bench.before', { before: number(before, 0) })}
          </text>
        )}
      </svg>
    </div>
  );
}
