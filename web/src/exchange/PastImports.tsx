import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Popconfirm } from 'antd';
import { api, answered } from '../api/client';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';

/** Files taken over: who, when, what; the latest can be undone. */
export function PastImports() {
  const { t, language, number } = useReading();
  const { data } = useQuery({
    queryKey: ['imports'],
    queryFn: () => answered(api.GET('/api/v1/imports')),
  });
  const client = useQueryClient();
  const { attempt, problem, failure, busy } = useAttempt();
  const undo = (id: string) =>
    attempt(async () => {
      await answered(api.DELETE('/api/v1/imports/{id}', { params: { path: { id } } }));
      await client.invalidateQueries();
    });
  if (!data || data.length === 0) return null;
  const wrong = problem('import') ?? failure;
  const when = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <details className="export" data-test="past-imports">
      <summary>{t('import.past', { count: data.length })}</summary>
      <div className="past-imports">
        <table className="figures">
          <thead>
            <tr>
              <th>{t('import.past.file')}</th>
              <th>{t('import.what')}</th>
              <th className="number">{t('import.added')}</th>
              <th className="number">{t('import.changed')}</th>
              <th>{t('import.past.who')}</th>
              <th>{t('import.past.when')}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {data.map((past) => (
              <tr key={past.id} className={past.undoneAt ? 'superseded' : undefined}>
                <th scope="row">{past.undoes ? t('import.undid', { file: past.file }) : past.file}</th>
                <td>{t(`table.${past.table}`, { defaultValue: past.table })}</td>
                <td className="number">{number(past.added, 0)}</td>
                <td className="number">{number(past.changed, 0)}</td>
                <td>{past.person ?? 'Rama'}</td>
                <td className="dim">{when.format(new Date(past.at))}</td>
                <td>
                  {past.undoneAt && <span className="dim">{t('import.undone')}</span>}
                  {past.canUndo && (
                    <Popconfirm
                      title={t('import.undo-sure', { file: past.file })}
                      okText={t('import.undo')}
                      cancelText={t('import.keep-it')}
                      onConfirm={() => void undo(past.id)}
                    >
                      <Button size="small" loading={busy} data-test="undo">
                        {t('import.undo')}
                      </Button>
                    </Popconfirm>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {wrong && (
          <p className="field-problem" role="alert">
            {wrong}
          </p>
        )}
      </div>
    </details>
  );
}
