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

/** Over the whole estate, and of no matter to the minute where it is told beside something else. */
const FRESH_MS = 5 * 60_000;

/**
 * What the rows done and the trees checked of this season taught; for those who may see it. `version` is that of a
 * planting whose choices it follows.
 */
export function useLearnedWork(may = true, version = 0) {
  return useQuery({
    queryKey: ['learning', 'work', version],
    queryFn: () => answered(api.GET('/api/v1/learning/work')),
    enabled: may,
    staleTime: FRESH_MS,
  });
}
