import type { LearnedFactor } from '../../api/client';
import { useReading } from '../../words/useReading';

/** How many times as long as expected, as the rows done tell, with how sure that is. */
export function Pace({ of }: { of: LearnedFactor }) {
  const { t, number } = useReading();
  return (
    <>
      × {number(of.pace, 2)}{' '}
      <span className="dim">{t('crew-plan.pace-range', { low: number(of.low, 2), high: number(of.high, 2) })}</span>
    </>
  );
}
