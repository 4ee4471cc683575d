import { useReading } from '../words/useReading';
import '../words/crew';

/** What this device told of a planting, each to be taken back. */
export function ToldHere({
  told,
  test,
  onTakeBack,
}: {
  told: readonly { id: string; text: string }[];
  test: string;
  onTakeBack: (id: string) => void;
}) {
  const { t } = useReading();
  return (
    <ul className="work-told" data-test={`${test}-told`}>
      {told.map(({ id, text }) => (
        <li key={id}>
          {text}{' '}
          <button
            type="button"
            className="key-small"
            onClick={() => {
              onTakeBack(id);
            }}
          >
            {t('work.undo')}
          </button>
        </li>
      ))}
    </ul>
  );
}
