import { Button } from 'antd';
import { Link } from 'react-router';
import { RequestError } from './api/client';
import { useReading } from './words/useReading';

/** A page that could not be loaded: what happened and the way on. */
export function Trouble({ error, retry }: { error: Error; retry: () => void }) {
  const { t } = useReading();
  const missing = error instanceof RequestError && error.status === 404;
  return (
    <main className="problem-page">
      <h1>{missing ? t('trouble.missing') : t('trouble.title')}</h1>
      <p>
        {missing ? t('trouble.missing-text') : error instanceof RequestError ? error.message : t('failure.network')}
      </p>
      {missing ? <Link to="/">{t('trouble.home')}</Link> : <Button onClick={retry}>{t('trouble.retry')}</Button>}
    </main>
  );
}
