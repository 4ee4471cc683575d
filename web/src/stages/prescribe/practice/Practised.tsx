import { useQuery } from '@tanstack/react-query';
import { api, answered } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { faultsOf } from './practiceFaults';

/** For the lead: how each pruner does over all blocks, and the latest trees of this one. */
export function Practised({ id }: { id: string }) {
  const { t, number } = useReading();
  const runs = useQuery({
    queryKey: ['practice', id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/practice', { params: { path: { id } } })),
  });
  const pruners = useQuery({ queryKey: ['practice'], queryFn: () => answered(api.GET('/api/v1/practice')) });
  return (
    <>
      {(pruners.data?.length ?? 0) > 0 && (
        <section className="practice-runs" data-test="pruners">
          <h2>{t('practice.pruners')}</h2>
          <table className="figures">
            <thead>
              <tr>
                <th>{t('practice.who')}</th>
                <th className="number">{t('practice.trees')}</th>
                <th className="number">{t('practice.mean')}</th>
                <th className="number">{t('practice.last')}</th>
              </tr>
            </thead>
            <tbody>
              {pruners.data!.map((p) => (
                <tr key={p.worker}>
                  <td>
                    {p.pruner}
                    {p.faults.length > 0 && <p className="small">{faultsOf(p, t)}</p>}
                  </td>
                  <td className="number">{p.trees}</td>
                  <td className="number">{number(p.meanScore, 0)}</td>
                  <td className="number">{p.lastScore}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {(runs.data?.length ?? 0) > 0 && (
        <section className="practice-runs">
          <h2>{t('practice.runs')}</h2>
          <table className="figures">
            <thead>
              <tr>
                <th>{t('practice.who')}</th>
                <th className="number">{t('practice.score')}</th>
                <th className="number">{t('practice.left-of')}</th>
              </tr>
            </thead>
            <tbody>
              {runs.data!.slice(0, 8).map((r) => (
                <tr key={r.id}>
                  <td>{r.pruner}</td>
                  <td className="number">{r.score}</td>
                  <td className="number">
                    {r.budsLeft} / {number(r.target, 0)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </>
  );
}
