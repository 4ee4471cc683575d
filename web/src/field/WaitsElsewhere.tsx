import { goToEstate } from '../people/session';
import { useReading } from '../words/useReading';

/** Says that something made for another estate waits, and goes there. */
export function WaitsElsewhere({ count, estate }: { count: number; estate: { id: string; name: string } | null }) {
  const { t } = useReading();
  // Somebody else's, or of an estate the person has left: it is kept for whoever signs in next.
  if (estate === null) return <p className="field-note">{t('field.waits-unknown', { count })}</p>;
  return (
    <p className="field-note" data-test="waits-elsewhere">
      {t('field.waits-elsewhere', { count, estate: estate.name })}{' '}
      <button type="button" className="field-link" onClick={() => void goToEstate(estate.id, '/field')}>
        {t('field.go-there', { estate: estate.name })}
      </button>
    </p>
  );
}
