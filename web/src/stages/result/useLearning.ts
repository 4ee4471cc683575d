import { useQuery } from '@tanstack/react-query';
import { answered, api, type PlantingView } from '../../api/client';

/** What past seasons taught of a planting, and what that does to its plan. */
export function useLearning({ id, season, plantingVersion, planVersion }: PlantingView) {
  return useQuery({
    // What it follows from is saved with the planting and its plan.
    queryKey: ['learning', id, season, plantingVersion, planVersion],
    queryFn: () =>
      answered(api.GET('/api/v1/plantings/{id}/learning', { params: { path: { id }, query: { season } } })),
  });
}

/** What the rows done and the trees checked of this season taught; for those who may see it. */
export function useLearnedWork(may = true) {
  return useQuery({
    queryKey: ['learning', 'work'],
    queryFn: () => answered(api.GET('/api/v1/learning/work')),
    enabled: may,
  });
}
