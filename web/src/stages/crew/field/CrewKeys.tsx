import { useReading } from '../../../words/useReading';

/** The crews as keys for a thumb; the one chosen is lit. */
export function CrewKeys<C extends { id: string; name: string }>({
  crews,
  crew,
  onCrew,
}: {
  crews: readonly C[];
  crew: string;
  onCrew: (crew: C) => void;
}) {
  const { t } = useReading();
  return (
    <div className="work-passes" role="group" aria-label={t('work.crew')}>
      {crews.map((c) => (
        <button
          key={c.id}
          type="button"
          className={c.id === crew ? 'key-small key-on' : 'key-small'}
          aria-pressed={c.id === crew}
          onClick={() => {
            onCrew(c);
          }}
        >
          {c.name}
        </button>
      ))}
    </div>
  );
}
