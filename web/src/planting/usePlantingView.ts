import { useQuery } from '@tanstack/react-query';
import { api, answered } from '../api/client';
import { plantingKey } from './plantingKey';

/** A planting in the season at hand, as saved. */
export function usePlantingView(id: string) {
  return useQuery({
    queryKey: plantingKey(id, null),
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id }, query: {} } })),
  });
}
