import { useQuery } from '@tanstack/react-query';
import { answered, api, type PlantingView } from '../../api/client';
import { useFromDesk } from '../../field/useFromDesk';

/** The crop of a season on a planting: what was counted, what to expect, what to thin off. */
export function useCrop({ id, season, plantingVersion, planVersion }: PlantingView) {
  return useQuery({
    // What it follows from is saved with the planting and its plan.
    queryKey: ['crop', id, season, plantingVersion, planVersion],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/crop', { params: { path: { id }, query: { season } } })),
  });
}

/** Takes counts of the crop back at the desk, the way of those from the row. */
export function useCropSending(planting: string, season: number) {
  const { put, ...told } = useFromDesk();
  return {
    ...told,
    takeBack: (supersedes: string) => put({ planting, season, row: null, tree: null, supersedes }),
  };
}
