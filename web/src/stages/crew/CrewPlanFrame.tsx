import { useEffect, type ReactNode } from 'react';
import type { CrewPlanView } from '../../api/client';
import { Trouble } from '../../Trouble';
import '../../words/crew';
import { useReading } from '../../words/useReading';
import { CrewTabs } from './CrewTabs';
import './crewPlan.css';
import { useCrewPlan } from './useCrewPlan';

/** A page of the crews that shows the plan in its way: tabs, title, waiting and trouble are the same for all. */
export function CrewPlanFrame({ title, page }: { title: string; page: (plan: CrewPlanView) => ReactNode }) {
  const { t } = useReading();
  const plan = useCrewPlan();
  useEffect(() => {
    document.title = `${title} · Rama`;
  }, [title]);
  return (
    <main className="page crew-plan">
      <CrewTabs />
      {plan.error ? (
        <Trouble error={plan.error} retry={() => void plan.refetch()} />
      ) : plan.data ? (
        page(plan.data)
      ) : (
        <p className="waiting">{t('loading')}</p>
      )}
    </main>
  );
}
