import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered, type WorkerEntry, type WorkerView } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';

const crewKey = ['workers'];

/** Who works in the rows, those who have left last. */
export function useCrew() {
  return useQuery({ queryKey: crewKey, queryFn: () => answered(api.GET('/api/v1/workers')) });
}

/** What a card is printed in. */
export const cardLanguages = ['en', 'es'] as const;

/** Adds, changes and removes people; what is refused is told at its field. */
export function useCrewChanges() {
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
  const again = () => client.invalidateQueries({ queryKey: crewKey });
  const save = (id: string, version: number, worker: WorkerEntry) =>
    attempt(async () => {
      await answered(api.PUT('/api/v1/workers/{id}', { params: { path: { id } }, body: { version, worker } }));
      // What they did is told under their name.
      await client.invalidateQueries({ queryKey: ['practice'] });
      await client.invalidateQueries({ queryKey: ['crew-plan'] });
      await again();
    });
  return {
    ...told,
    add: (id: string, worker: WorkerEntry) => save(id, 0, worker),
    change: ({ id, version, ...worker }: WorkerView, by: Partial<WorkerEntry>) =>
      save(id, version, { ...worker, ...by }),
    remove: ({ id }: WorkerView) =>
      attempt(async () => {
        await answered(api.DELETE('/api/v1/workers/{id}', { params: { path: { id } } }));
        await again();
      }),
  };
}
