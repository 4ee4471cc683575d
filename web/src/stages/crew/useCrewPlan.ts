import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import {
  api,
  answered,
  type CrewEntry,
  type CrewPlanView,
  type CrewSettingsEntry,
  type CrewTaskView,
  type ImproveStep,
  type TaskChoiceEntry,
} from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { steps } from '../../exchange/steps';
import { useReading } from '../../words/useReading';

const planKey = ['crew-plan'];

/** Which crew does what when. */
export function useCrewPlan(enabled = true) {
  return useQuery({ queryKey: planKey, queryFn: () => answered(api.GET('/api/v1/crew-plan')), enabled });
}

/** Money of the estate, in whole numbers. */
export function useMoney({ currency }: { currency: string | null }) {
  const { t, number } = useReading();
  return (value: number) => `${number(value, 0)} ${currency ?? t('choice.money')}`;
}

/** Says what is kept of work, changes crews and what is the same for all; what is refused is told at its field. */
export function useCrewPlanChanges() {
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
  const again = () => client.invalidateQueries({ queryKey: planKey });
  return {
    ...told,
    keep: ({ planting, pass, version }: CrewTaskView, task: TaskChoiceEntry) =>
      attempt(async () => {
        await answered(
          api.PUT('/api/v1/plantings/{id}/passes/{pass}/crew', {
            params: { path: { id: planting, pass } },
            body: { version, task },
          }),
        );
        await again();
      }),
    saveCrew: (id: string, version: number, crew: CrewEntry) =>
      attempt(async () => {
        await answered(api.PUT('/api/v1/crews/{id}', { params: { path: { id } }, body: { version, crew } }));
        await again();
      }),
    removeCrew: (id: string) =>
      attempt(async () => {
        await answered(api.DELETE('/api/v1/crews/{id}', { params: { path: { id } } }));
        await again();
      }),
    saveSettings: ({ estateVersion }: CrewPlanView, settings: CrewSettingsEntry) =>
      attempt(async () => {
        await answered(api.PUT('/api/v1/crew-plan/settings', { body: { version: estateVersion, settings } }));
        await again();
      }),
  };
}

/** Looks for a better plan and puts it in force; stopping leaves the plan in force as it was. */
export function useImprove(version: number) {
  const { t } = useReading();
  const client = useQueryClient();
  const running = useRef<AbortController | null>(null);
  const [step, setStep] = useState<ImproveStep | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [isRunning, setRunning] = useState(false);
  useEffect(() => () => running.current?.abort(), []);
  return {
    step,
    problem,
    isRunning,
    stop: () => {
      running.current?.abort();
    },
    start: async (seconds: number) => {
      const mine = new AbortController();
      running.current = mine;
      setRunning(true);
      setStep(null);
      setProblem(null);
      try {
        const response = await fetch('/api/v1/crew-plan/improve', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          signal: mine.signal,
          body: JSON.stringify({ seconds, version }),
        });
        if (response.status === 429) throw new Error(t('failure.busy'));
        if (!response.ok || !response.body) {
          const told = (await response.json().catch(() => ({}))) as { problems?: { message: string }[] };
          throw new Error(told.problems?.[0]?.message ?? t('failure.server'));
        }
        for await (const next of steps<ImproveStep>(response.body)) {
          if (next.problem) throw new Error(next.problem);
          setStep(next);
          if (next.isSaved) await client.invalidateQueries({ queryKey: planKey });
        }
      } catch (e) {
        if (!mine.signal.aborted) setProblem(e instanceof Error ? e.message : String(e));
      } finally {
        setRunning(false);
      }
    },
  };
}
