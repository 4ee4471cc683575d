import { useQuery } from '@tanstack/react-query';
import { api, answered, type ChangeView } from '../../api/client';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** Who changed what at the planting, when, and what stood there before. */
export function HistoryPage() {
  const { t, language } = useReading();
  const { view } = usePlantingWork();
  const history = useQuery({
    queryKey: ['history', view.id, view.plantingVersion, view.planVersion],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/history', { params: { path: { id: view.id } } })),
  });
  const when = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' });
  const what = (c: ChangeView) => [
    t(`history.${c.subject}`, { detail: c.detail, defaultValue: c.subject }),
    c.season && String(c.season),
    c.field && t(`field.${c.field}`, { defaultValue: c.field }),
  ];
  return (
    <section>
      <div className="stage-head">
        <h2>{t('history.title')}</h2>
      </div>
      {history.data?.length === 0 && <p className="dim">{t('history.none')}</p>}
      {history.data && history.data.length > 0 && (
        <table className="figures history" data-test="history">
          <thead>
            <tr>
              <th>{t('history.when')}</th>
              <th>{t('history.who')}</th>
              <th>{t('history.what')}</th>
              <th>{t('history.before')}</th>
              <th>{t('history.after')}</th>
            </tr>
          </thead>
          <tbody>
            {history.data.map((c, i) => (
              <tr key={i}>
                <td className="history-when">{when.format(new Date(c.at))}</td>
                <td>
                  {c.person ?? 'Rama'}
                  {c.imported && <span className="small dim"> {t('history.imported')}</span>}
                </td>
                <td>{what(c).filter(Boolean).join(' · ')}</td>
                <td>{c.old ?? <span className="dim">{c.field ? t('history.empty') : '–'}</span>}</td>
                <td>{c.new ?? <span className="dim">{c.field ? t('history.empty') : t('history.removed')}</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
