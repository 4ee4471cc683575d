import { useState } from 'react';
import { api, answered, type PhotoView } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { useFieldNewsAgain } from '../../field/FieldConflicts';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** Shown before all are asked for. */
const FEW = 12;

/** Photographs from the row with what they show, the latest first. */
export function Photos({ photos }: { photos: PhotoView[] }) {
  const { t } = useReading();
  const [isAll, setAll] = useState(false);
  if (photos.length === 0) return null;
  return (
    <>
      <ul className="news-photos" data-test="photos">
        {(isAll ? photos : photos.slice(0, FEW)).map((photo) => (
          <Photo key={photo.id} photo={photo} />
        ))}
      </ul>
      {photos.length > FEW && !isAll && (
        <button
          type="button"
          className="text-button"
          onClick={() => {
            setAll(true);
          }}
        >
          {t('news.photos-all', { count: photos.length })}
        </button>
      )}
    </>
  );
}

function Photo({ photo }: { photo: PhotoView }) {
  const { t, language } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const again = useFieldNewsAgain();
  const { attempt, failure, busy } = useAttempt();
  const [isSure, setSure] = useState(false);
  const { id, row, tree, person, caption } = photo;
  const path = `/api/v1/plantings/${view.id}/photos/${id}`;
  const place =
    row === null ? t('news.planting') : tree === null ? t('news.row', { row }) : t('outlier.place', { row, tree });
  const day = new Intl.DateTimeFormat(language, { dateStyle: 'medium' }).format(new Date(photo.at));
  const remove = () =>
    attempt(async () => {
      await answered(
        api.DELETE('/api/v1/plantings/{id}/photos/{photo}', { params: { path: { id: view.id, photo: id } } }),
      );
      await again();
    });
  return (
    <li>
      <a href={path} target="_blank" rel="noreferrer">
        <img src={path} alt={caption ?? place} loading="lazy" />
      </a>
      {caption && <span data-typed>{caption}</span>}
      <span className="small dim">{[place, day, person].filter(Boolean).join(' · ')}</span>
      {may('settings') && (
        <button
          type="button"
          className="text-button small"
          disabled={busy}
          onClick={() => {
            // A picture cannot be brought back, so that it takes a second word.
            if (isSure) void remove();
            else setSure(true);
          }}
          aria-label={`${t(isSure ? 'news.photo-remove-sure' : 'news.photo-remove')}: ${caption ?? place}`}
          data-test="photo-remove"
        >
          {t(isSure ? 'news.photo-remove-sure' : 'news.photo-remove')}
        </button>
      )}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </li>
  );
}
