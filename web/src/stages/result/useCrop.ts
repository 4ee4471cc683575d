import { useQuery } from '@tanstack/react-query';
import { answered, api } from '../../api/client';

/** The crop of a season on a planting: what was counted, what to expect, what to thin off. */
export function useCrop(planting: string, season: number) {
  return useQuery({
    queryKey: ['crop', planting, season],
    queryFn: () =>
      answered(api.GET('/api/v1/plantings/{id}/crop', { params: { path: { id: planting }, query: { season } } })),
  });
}
