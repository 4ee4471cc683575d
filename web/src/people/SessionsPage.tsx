import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect } from 'react';
import { api, answered } from '../api/client';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import './people.css';

/** Where a person is signed in; a phone left behind is signed out from here. */
export function SessionsPage() {
  const { t, language } = useReading();
  const client = useQueryClient();
  const sessions = useQuery({ queryKey: ['sessions'], queryFn: () => answered(api.GET('/api/v1/sessions')) });
  const { failure, attempt } = useAttempt();
  const time = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' });
  useEffect(() => {
    document.title = `${t('sessions.title')} · Rama`;
  }, [t]);
  const end = (id: string | null) =>
    attempt(async () => {
      await answered(
        id === null
          ? api.DELETE('/api/v1/sessions')
          : api.DELETE('/api/v1/sessions/{id}', { params: { path: { id } } }),
      );
      await client.invalidateQueries({ queryKey: ['sessions'] });
    });
  const others = sessions.data?.filter((s) => !s.isThis) ?? [];
  return (
    <main className="page sessions-page">
      <h1>{t('sessions.title')}</h1>
      <p className="dim">{t('sessions.text')}</p>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      <ul className="sessions" data-test="sessions">
        {sessions.data?.map((s) => (
          <li key={s.id} className="sheet">
            <span>
              <strong>{s.browser || t('sessions.unknown')}</strong>
              <br />
              <span className="small dim">
                {t('sessions.seen', { begun: time.format(new Date(s.begunAt)), seen: time.format(new Date(s.seenAt)) })}
              </span>
            </span>
            {s.isThis ? (
              <span>{t('sessions.this')}</span>
            ) : (
              <Button onClick={() => void end(s.id)}>{t('sign-out')}</Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <p>
          <Button onClick={() => void end(null)} data-test="end-others">
            {t('sessions.end-others')}
          </Button>
        </p>
      )}
    </main>
  );
}
