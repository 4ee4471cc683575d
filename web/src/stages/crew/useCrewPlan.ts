import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import {
  api,
  answered,
  type CrewPlanView,
  type CrewTaskView,
  type ImproveStep,
  type TakeDepths,
  type TaskChoiceEntry,
} from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { useLongWork } from '../../exchange/useLongWork';
import { useReading } from '../../words/useReading';

const planKey = ['crew-plan'];

const STOP_TRIES = 8,
  STOP_WAIT_MS = 400;

/** Tells the plan anew, and the season page, whose days are those of the plan. */
async function again(client: QueryClient) {
  await client.invalidateQueries({ queryKey: planKey });
  await client.invalidateQueries({ queryKey: ['season'] });
}

/** Which crew does what when; not asked for where nobody may know. */
export function useCrewPlan(enabled = true) {
  return useQuery({ queryKey: planKey, enabled, queryFn: () => answered(api.GET('/api/v1/crew-plan')) });
}

/** Money of the estate, in whole numbers; little of it with its cents. */
export function useMoney({ currency }: { currency: string | null }) {
  const { t, number } = useReading();
  return (value: number, decimals = value < 1 && value > 0 ? 2 : 0) =>
    `${number(value, decimals)} ${currency ?? t('choice.money')}`;
}

/** Says what is kept of work and removes crews; what is refused is told at its field. */
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
    removeCrew: (id: string) =>
      attempt(async () => {
        await answered(api.DELETE('/api/v1/crews/{id}', { params: { path: { id } } }));
        await again(client);
      }),
  };
}

/** Looks for a better plan and puts it in force; who stops it keeps the best so far. */
export function useImprove() {
  const client = useQueryClient();
  const { start, stop, ...work } = useLongWork<ImproveStep>('/api/v1/crew-plan/improve');
  return {
    ...work,
    start: (seconds: number, version: number) =>
      start({ seconds, version }, async (step) => {
        if (step.isSaved) await again(client);
      }),
    stop: async (version: number) => {
      stop();
      // The server puts the best so far in force once it has noticed.
      for (let tries = 0; tries < STOP_TRIES; tries++) {
        await new Promise((later) => setTimeout(later, STOP_WAIT_MS));
        await client.refetchQueries({ queryKey: planKey, exact: true });
        if (client.getQueryData<CrewPlanView>(planKey)?.version !== version) return;
      }
    },
  };
}

/** How deep each planting would be pruned within some hours; those worked in time when none are told. */
export function useDepths(hours: number | null) {
  return useQuery({
    queryKey: [...planKey, 'depth', hours],
    queryFn: () => answered(api.GET('/api/v1/crew-plan/depth', { params: { query: hours === null ? {} : { hours } } })),
    placeholderData: (before) => before,
    retry: false,
  });
}

/** What the work costs, planned and so far. */
export function useCosts() {
  return useQuery({
    queryKey: [...planKey, 'costs'],
    queryFn: () => answered(api.GET('/api/v1/crew-plan/costs')),
  });
}

/** What each is paid for each week. */
export function usePay() {
  return useQuery({ queryKey: [...planKey, 'pay'], queryFn: () => answered(api.GET('/api/v1/crew-plan/pay')) });
}

/** Has plantings pruned less deep; plan, decisions and cards follow. */
export function useTakeDepths() {
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
  return {
    ...told,
    take: (body: TakeDepths) =>
      attempt(async () => {
        await answered(api.PUT('/api/v1/crew-plan/depth', { body }));
        await client.invalidateQueries();
      }),
  };
}
