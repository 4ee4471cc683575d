import { useQuery } from '@tanstack/react-query';
import { api, answered } from '../../api/client';

/** The season page's data; the order of its plantings is the order of the work everywhere. */
export function useSeason() {
  return useQuery({ queryKey: ['season'], queryFn: () => answered(api.GET('/api/v1/season')) });
}
