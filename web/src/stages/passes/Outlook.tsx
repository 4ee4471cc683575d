import type { HeldUp, PassOutlook } from '../../api/client';
import { useReading } from '../../words/useReading';
import { useDays } from '../../words/useDays';

/** What holds work up, from when and until when. */
export function HeldUpBy({ held }: { held: HeldUp }) {
  const { t, told } = useReading();
  const day = useDays();
  return (
    <>
      <strong>
        ▲{' '}
        {t('held.value', {
          what: t(`held.${held.by}`),
          value: told(held.value, held.unit, 1),
          day: day(held.on),
        })}{' '}
        {held.isForecast && t('held.forecast')}
      </strong>{' '}
      {held.until
        ? t('held.until', { from: day(held.from), until: day(held.until) })
        : t('held.until-unknown', { from: day(held.from) })}
    </>
  );
}

/** What the days at hand say to a pass: usable, held up, or unknown, which is never called safe. */
export function Outlook({ outlook }: { outlook: PassOutlook }) {
  const { t } = useReading();
  const day = useDays();
  return (
    <span className="small passes-outlook" data-test="outlook">
      {outlook.today === true && <span>{t('outlook.yes')}</span>}
      {outlook.today === null && outlook.knownUntil === null && outlook.heldUp.length === 0 && (
        <span className="passes-says">{t('outlook.unknown')}</span>
      )}
      {outlook.heldUp.map((held) => (
        <span key={held.by} className="passes-says">
          <HeldUpBy held={held} />
        </span>
      ))}
      {outlook.knownUntil && <span className="dim">{t('outlook.known', { day: day(outlook.knownUntil) })}</span>}
    </span>
  );
}
