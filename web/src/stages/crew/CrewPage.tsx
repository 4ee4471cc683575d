import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, answered } from '../../api/client';
import { useMay } from '../../people/session';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { AddWorker } from './AddWorker';
import { CrewsSection } from './CrewsSection';
import { CrewTabs } from './CrewTabs';
import './crewPlan.css';
import { WorkerLine } from './WorkerLine';
import './crew.css';
import { cardLanguages, useCrew } from './useCrew';
import { useCrewPlan } from './useCrewPlan';

/** Who works in the rows: their name or number, the language of their card, and how their practice goes. */
export function CrewPage() {
  const { t } = useReading();
  const may = useMay();
  if (may('practice')) return <Crew />;
  return (
    <main className="page">
      <h1>{t('crew.title')}</h1>
      <p>{t('crew.leads-see')}</p>
    </main>
  );
}

function Crew() {
  const { t } = useReading();
  const may = useMay();
  const crew = useCrew();
  const plan = useCrewPlan();
  const practice = useQuery({ queryKey: ['practice'], queryFn: () => answered(api.GET('/api/v1/practice')) });
  useEffect(() => {
    document.title = `${t('crew.title')} · Rama`;
  }, [t]);
  const here = (crew.data ?? []).filter((w) => !w.left);
  return (
    <main className="page">
      <CrewTabs />
      <h1>{t('crew-plan.people')}</h1>
      {plan.data && <CrewsSection plan={plan.data} />}
      <h2>{t('crew.title')}</h2>
      {crew.data && (
        <p className="crew-cards" data-test="crew-cards">
          <b>{here.length}</b> {t('crew.here', { count: here.length })}
          {cardLanguages
            .map((language) => ({ language, count: here.filter((w) => w.language === language).length }))
            .filter(({ count }) => count > 0)
            .map(({ language, count }) => (
              <span key={language}> · {t(`crew.cards-${language}`, { count })}</span>
            ))}
        </p>
      )}
      <div className="columns">
        <section>
          {crew.data?.length === 0 && <p>{t('crew.empty')}</p>}
          {(crew.data?.length ?? 0) > 0 && (
            <table className="figures crew-list" data-test="crew">
              <thead>
                <tr>
                  <th>{t('crew.name')}</th>
                  <th>{t('crew.card')}</th>
                  <th>{t('crews.crew')}</th>
                  <th className="number">{t('crew.practice')}</th>
                  <td />
                </tr>
              </thead>
              <tbody>
                {crew.data!.map((w) => (
                  <WorkerLine
                    key={w.id}
                    worker={w}
                    practice={practice.data?.find((p) => p.worker === w.id)}
                    editable={may('crew')}
                    crews={plan.data?.crews ?? []}
                  />
                ))}
              </tbody>
            </table>
          )}
        </section>
        <aside>{may('crew') ? <AddWorker /> : <p className="dim">{t('crew.leads-only')}</p>}</aside>
      </div>
    </main>
  );
}
