import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, answered, type TargetDesk } from '../../api/client';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';

export const deskKey = (id: string) => ['desk', id] as const;

/**
 * All that stands around the target as it is typed; the last one stays while the next is worked out. Null without a
 * usable target.
 */
export function useDesk(): TargetDesk | null {
  const { view, plan, entry } = usePlantingWork();
  const may = useMay();
  const desk = useQuery({
    queryKey: [...deskKey(view.id), entry],
    queryFn: async ({ signal }) =>
      ((await answered(
        api.POST('/api/v1/plantings/{id}/target/desk', { params: { path: { id: view.id } }, body: entry, signal }),
      )) as TargetDesk | undefined) ?? null,
    enabled: may('money'),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });
  return plan.crop ? (desk.data ?? null) : null;
}
