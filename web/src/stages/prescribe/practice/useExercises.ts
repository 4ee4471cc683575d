import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered, type ExerciseView } from '../../../api/client';
import { useAttempt } from '../../../entry/useAttempt';

/** Exercises of the season, the latest first. */
export function useExercises() {
  return useQuery({
    queryKey: ['practice', 'exercises'],
    queryFn: () => answered(api.GET('/api/v1/practice/exercises')) as Promise<ExerciseView[]>,
  });
}

/** What a lead types to set one. */
export interface ExerciseText {
  planting: string;
  class: string | null;
  trees: number | null;
  note: string | null;
}

/** Sets exercises and takes them away. */
export function useExerciseChanges() {
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
  const change = (act: () => Promise<unknown>) =>
    attempt(async () => {
      await act();
      await client.invalidateQueries({ queryKey: ['practice', 'exercises'] });
    });
  return {
    ...told,
    set: (id: string, body: ExerciseText) =>
      change(() => answered(api.PUT('/api/v1/practice/exercises/{id}', { params: { path: { id } }, body }))),
    remove: (id: string) =>
      change(() => answered(api.DELETE('/api/v1/practice/exercises/{id}', { params: { path: { id } } }))),
  };
}
