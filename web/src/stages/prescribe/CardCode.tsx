import { encode } from 'uqr';
import { useReading } from '../../words/useReading';

/** Leads a phone from the paper to the planting in the row. */
export function CardCode({ planting }: { planting: string }) {
  const { t } = useReading();
  const code = encode(`${window.location.origin}/field/${planting}`, { ecc: 'L', border: 0 });
  const dark = code.data.flatMap((row, y) => row.map((on, x) => (on ? `M${x} ${y}h1v1h-1z` : ''))).join('');
  return (
    <svg className="card-code" viewBox={`0 0 ${code.size} ${code.size}`} role="img" aria-label={t('card.code')}>
      <path d={dark} />
    </svg>
  );
}
