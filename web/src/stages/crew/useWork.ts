import { useQuery } from '@tanstack/react-query';
import { answered, api, type WorkReportEntry } from '../../api/client';
import { useFromDesk } from '../../field/useFromDesk';

/** Work reported of a planting, and how far its passes are. */
export function useWork(planting: string, enabled = true) {
  return useQuery({
    queryKey: ['work', planting],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/work', { params: { path: { id: planting } } })),
    enabled,
  });
}

/** Reports work from the office, the way it is reported from the row; what is refused is told at its field. */
export function useWorkReports(planting: string, season: number) {
  const { put, ...told } = useFromDesk();
  const at = { planting, season, row: null, tree: null };
  return {
    ...told,
    report: (body: WorkReportEntry, supersedes: string | null) => put({ ...at, supersedes, kind: 'work', body }),
    takeBack: (supersedes: string) => put({ ...at, supersedes }),
  };
}
