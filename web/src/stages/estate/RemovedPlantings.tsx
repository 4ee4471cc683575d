import { Button } from 'antd';
import type { RemovedPlantingView } from '../../api/client';
import { titleOf } from '../../planting/titleOf';
import { dayForm } from '../../units/forms';
import { useReading } from '../../words/useReading';
import { useRemoved, useRemoving } from './useRemoved';

/** Plantings that were removed and are still kept; nothing where there are none. */
export function RemovedPlantings() {
  const { t } = useReading();
  const removed = useRemoved();
  if (!removed.data?.length) return null;
  return (
    <section className="sheet estate-part" data-test="removed-plantings">
      <h2>{t('removed.title')}</h2>
      <p className="small dim">{t('removed.text')}</p>
      <ul className="removed-plantings">
        {removed.data.map((planting) => (
          <Removed key={planting.id} planting={planting} />
        ))}
      </ul>
    </section>
  );
}

function Removed({ planting }: { planting: RemovedPlantingView }) {
  const { t, language } = useReading();
  const { bringBack, busy, refused } = useRemoving();
  const form = dayForm(language, { dateStyle: 'medium' });
  const day = (at: string) => form.format(new Date(at));
  return (
    <li>
      <span>
        <strong>{titleOf(planting)}</strong>, {planting.variety}, {planting.site}
        <br />
        <span className="small dim">
          {t('removed.when', { day: day(planting.at), who: planting.person ?? 'Rama' })} ·{' '}
          {t('removed.until', { day: day(planting.until) })}
        </span>
      </span>
      <Button
        loading={busy}
        onClick={() => void bringBack([planting.id])}
        aria-label={`${t('removed.back')}: ${planting.code}`}
      >
        {t('removed.back')}
      </Button>
      {refused && (
        <p className="field-problem" role="alert">
          {refused}
        </p>
      )}
    </li>
  );
}
