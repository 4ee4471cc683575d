import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, answered, type PlantingView } from '../../api/client';
import { plantingKey } from '../../planting/plantingKey';

/** The planting of a walk. */
export const plantingOf = (id: string) =>
  queryOptions({
    queryKey: plantingKey(id, null),
    queryFn: ({ signal }) =>
      answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id }, query: {} }, signal })),
  });

/** Trees of a planting to count, in walking order, with the settings that are saved. */
export const routeOf = (id: string, view: PlantingView | undefined) =>
  queryOptions({
    queryKey: ['sample', id, view?.count.sample],
    queryFn: ({ signal }) =>
      answered(
        api.POST('/api/v1/plantings/{id}/sample', { params: { path: { id } }, body: view?.count.sample ?? {}, signal }),
      ),
    enabled: view !== undefined,
  });

/** A planting with the walk to its trees. */
export function useRoute(id: string) {
  const planting = useQuery(plantingOf(id));
  const plan = useQuery(routeOf(id, planting.data));
  return {
    error: planting.error ?? plan.error,
    retry: () => {
      void planting.refetch();
      void plan.refetch();
    },
    view: planting.data,
    plan: plan.data,
  };
}
