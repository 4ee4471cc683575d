import { Button } from 'antd';
import { Link } from 'react-router';
import { api, answered } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { goToEstate, useMay } from '../../people/session';
import { useReading } from '../../words/useReading';

/** Where an empty estate starts: with a file, with one planting, or with a look around in the demo. */
export function SeasonStart() {
  const { t } = useReading();
  const may = useMay();
  const { attempt, failure, busy } = useAttempt();
  const lookAround = () =>
    attempt(async () => {
      const { id } = await answered(api.POST('/api/v1/estates/demo'));
      await goToEstate(id);
    });
  if (!may('plantings')) return <p className="sheet">{t('season.empty-reader')}</p>;
  return (
    <section className="season-start" aria-label={t('season.empty')}>
      <h2>{t('season.empty')}</h2>
      <div className="season-ways">
        <Link to="/exchange" className="sheet season-way" data-test="start-file">
          <strong>{t('start.file')}</strong>
          <span className="small">{t('start.file-text')}</span>
        </Link>
        <Link to="/plantings/new" className="sheet season-way" data-test="start-one">
          <strong>{t('start.one')}</strong>
          <span className="small">{t('start.one-text')}</span>
        </Link>
        <div className="sheet season-way">
          <strong>{t('start.demo')}</strong>
          <span className="small">{t('start.demo-text')}</span>
          <Button loading={busy} onClick={() => void lookAround()} data-test="start-demo">
            {t('start.demo-do')}
          </Button>
          {failure && (
            <p className="field-problem" role="alert">
              {failure}
            </p>
          )}
        </div>
      </div>
    </section>
  );
}
