import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { answered, api, type HandsView } from '../../api/client';
import { Trouble } from '../../Trouble';
import '../../words/check';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { CrewTabs } from '../crew/CrewTabs';
import '../crew/crewPlan.css';
import { faultsOf } from '../prescribe/practice/practiceFaults';
import './check.css';
import { ToldVerdictLine } from './ToldVerdictLine';

/** How crews and pruners cut, planting by planting, practice beside checks: by name, since it is no league. */
export function HandsPage() {
  const { t } = useReading();
  const hands = useQuery({ queryKey: ['checks'], queryFn: () => answered(api.GET('/api/v1/checks')) });
  useEffect(() => {
    document.title = `${t('hands.title')} · Rama`;
  }, [t]);
  if (hands.error) return <Trouble error={hands.error} retry={() => void hands.refetch()} />;
  return (
    <main className="page">
      <CrewTabs />
      <h1>{t('hands.title')}</h1>
      <p className="dim">{t('hands.about')}</p>
      {!hands.data ? (
        <p className="waiting">{t('loading')}</p>
      ) : hands.data.crews.length + hands.data.pruners.length === 0 ? (
        <p className="sheet">{t('hands.none')}</p>
      ) : (
        <>
          <Hands title={t('hands.crews')} of={hands.data.crews} practice={false} />
          <Hands title={t('hands.pruners')} of={hands.data.pruners} practice />
        </>
      )}
    </main>
  );
}

function Hands({ title, of, practice }: { title: string; of: HandsView['crews']; practice: boolean }) {
  const { t, number } = useReading();
  if (of.length === 0) return null;
  return (
    <section>
      <h2>{title}</h2>
      <table className="figures" data-test="hands">
        <thead>
          <tr>
            <th>{t('check.who')}</th>
            <th>{t('hands.checks')}</th>
            {practice && <th>{t('hands.practice')}</th>}
          </tr>
        </thead>
        <tbody>
          {of.map((hand) => (
            <tr key={hand.who}>
              <td>
                <strong>{hand.name}</strong>
              </td>
              <td>
                {hand.plantings.length === 0 && <span className="dim">{t('hands.no-checks')}</span>}
                {hand.plantings.map((p) => (
                  <p key={p.planting} className="hands-line">
                    <Link to={`/plantings/${p.planting}/check`}>{p.code}</Link> <ToldVerdictLine told={p.told} />
                  </p>
                ))}
              </td>
              {practice && (
                <td>
                  {hand.practice ? (
                    <>
                      {t('hands.practised', {
                        count: hand.practice.trees,
                        mean: number(hand.practice.meanScore, 0),
                        last: hand.practice.lastScore,
                      })}
                      {hand.practice.faults.length > 0 && <p className="small">{faultsOf(hand.practice, t)}</p>}
                    </>
                  ) : (
                    <span className="dim">{t('hands.no-practice')}</span>
                  )}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
