import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
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

const STOP_TRIES = 8,
  STOP_WAIT_MS = 400;

/** Tells the plan anew, and the season page, whose days are those of the plan. */
async function again(client: QueryClient) {
  await client.invalidateQueries({ queryKey: planKey });
  await client.invalidateQueries({ queryKey: ['season'] });
}

/** Which crew does what when. */
export function useCrewPlan() {
  return useQuery({ queryKey: planKey, queryFn: () => answered(api.GET('/api/v1/crew-plan')) });
}

/** Money of the estate, in whole numbers; little of it with its cents. */
export function useMoney({ currency }: { currency: string | null }) {
  const { t, number } = useReading();
  return (value: number) => `${number(value, value < 1 && value > 0 ? 2 : 0)} ${currency ?? t('choice.money')}`;
}

/** Says what is kept of work, changes crews and what is the same for all; what is refused is told at its field. */
export function useCrewPlanChanges() {
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
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
        await again(client);
      }),
    saveCrew: (id: string, version: number, crew: CrewEntry) =>
      attempt(async () => {
        await answered(api.PUT('/api/v1/crews/{id}', { params: { path: { id } }, body: { version, crew } }));
        await again(client);
      }),
    removeCrew: (id: string) =>
      attempt(async () => {
        await answered(api.DELETE('/api/v1/crews/{id}', { params: { path: { id } } }));
        await again(client);
      }),
    saveSettings: ({ estateVersion }: CrewPlanView, settings: CrewSettingsEntry) =>
      attempt(async () => {
        await answered(api.PUT('/api/v1/crew-plan/settings', { body: { version: estateVersion, settings } }));
        await again(client);
      }),
  };
}

/** Looks for a better plan and puts it in force; who stops it keeps the best so far. */
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
    stop: async () => {
      running.current?.abort();
      // The server puts the best so far in force once it has noticed.
      for (let tries = 0; tries < STOP_TRIES; tries++) {
        await new Promise((later) => setTimeout(later, STOP_WAIT_MS));
        await client.refetchQueries({ queryKey: planKey });
        if (client.getQueryData<CrewPlanView>(planKey)?.version !== version) return;
      }
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
          if (next.isSaved) await again(client);
        }
      } catch (e) {
        if (!mine.signal.aborted) setProblem(e instanceof Error ? e.message : String(e));
      } finally {
        setRunning(false);
      }
    },
  };
}
