import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import { HabitContext } from '../words/habit';
import type { KeptKit } from './queue';
import { useReading } from '../words/useReading';
import { useKit } from './useField';

/** A page for the planting of the address, as it was taken along; afresh for each planting. */
export function WithKit({ page }: { page: (kept: KeptKit) => ReactNode }) {
  const { id } = useParams();
  const { t } = useReading();
  const kept = useKit(id!);
  if (kept === undefined) return <p className="waiting">{t('loading')}</p>;
  if (kept === null)
    return (
      <main className="field-main">
        <p>{t('field.not-taken')}</p>
      </main>
    );
  // One taken along by an earlier Rama does not tell how its crop bears.
  const { habit = null } = kept.kit as Partial<KeptKit['kit']>;
  return <HabitContext.Provider value={habit}>{page(kept)}</HabitContext.Provider>;
}
