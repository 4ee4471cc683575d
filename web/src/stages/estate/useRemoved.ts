import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';

/** Plantings that can be brought back, the latest first. */
export function useRemoved() {
  return useQuery({ queryKey: ['removed'], queryFn: () => answered(api.GET('/api/v1/plantings/removed')) });
}

/** Removes plantings and brings them back, each together or not at all. */
export function useRemoving() {
  const client = useQueryClient();
  const { attempt, problemLike, failure, busy } = useAttempt();
  const told = (change: () => Promise<unknown>, gone: string[] = []) =>
    attempt(async () => {
      await change();
      // What a page still on the screen tells of a planting that is gone is not asked for again.
      await client.invalidateQueries({
        predicate: ({ queryKey }) => !queryKey.some((k) => gone.includes(k as string)),
      });
    });
  return {
    busy,
    refused: failure ?? problemLike(/./),
    remove: (plantings: string[]) =>
      told(() => answered(api.POST('/api/v1/plantings/removed', { body: { plantings } })), plantings),
    bringBack: (plantings: string[]) =>
      told(() => answered(api.POST('/api/v1/plantings/removed/back', { body: { plantings } }))),
  };
}
