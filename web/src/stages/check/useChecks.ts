import { useQuery } from '@tanstack/react-query';
import { answered, api, type TreeCheckEntry } from '../../api/client';
import { useFromDesk } from '../../field/useFromDesk';

/** Checks of finished trees of a planting, and what they say. */
export function useChecks(planting: string, season: number) {
  return useQuery({
    queryKey: ['checks', planting, season],
    queryFn: () =>
      answered(api.GET('/api/v1/plantings/{id}/checks', { params: { path: { id: planting }, query: { season } } })),
  });
}

/** Checks typed in the office go the way of those from the row. */
export function useCheckSending(planting: string, season: number) {
  const { put, ...told } = useFromDesk();
  return {
    ...told,
    send: (body: TreeCheckEntry, at: { row: number | null; tree: number | null }, supersedes: string | null) =>
      put({ planting, season, ...at, supersedes, kind: 'check', body }),
    takeBack: (supersedes: string) => put({ planting, season, row: null, tree: null, supersedes }),
  };
}
