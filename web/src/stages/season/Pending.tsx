import type { SeasonPending } from '../../api/client';
import { useReading } from '../../words/useReading';
import './season.css';

/** What of the season is still being worked out, while the page tells what was last known; nothing where all is. */
export function Pending({ pending }: { pending: SeasonPending | null }) {
  const { t, number } = useReading();
  if (!pending) return null;
  const { left, of } = pending;
  return (
    <p className="season-pending" role="status" data-test="pending">
      <progress max={of} value={left === null ? undefined : of - left} aria-label={t('season.pending-progress')} />
      {left === null ? t('season.pending') : t('season.pending-left', { left: number(left, 0), count: of })}
    </p>
  );
}
