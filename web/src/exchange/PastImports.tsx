import { useQuery } from '@tanstack/react-query';
import { api, answered } from '../api/client';
import { useReading } from '../words/useReading';

/** Files taken over: who, when, what. */
export function PastImports() {
  const { t, language, number } = useReading();
  const { data } = useQuery({
    queryKey: ['imports'],
    queryFn: () => answered(api.GET('/api/v1/imports')),
  });
  if (!data || data.length === 0) return null;
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
            </tr>
          </thead>
          <tbody>
            {data.map((past) => (
              <tr key={past.id}>
                <th scope="row">{past.file}</th>
                <td>{t(`table.${past.table}`, { defaultValue: past.table })}</td>
                <td className="number">{number(past.added, 0)}</td>
                <td className="number">{number(past.changed, 0)}</td>
                <td>{past.person ?? 'Rama'}</td>
                <td className="dim">{when.format(new Date(past.at))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
