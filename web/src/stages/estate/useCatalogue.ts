import { useQuery } from '@tanstack/react-query';
import { api, answered } from '../../api/client';

/** What can be chosen; it changes only with a new version of Rama. */
export function useCatalogue() {
  return useQuery({
    queryKey: ['catalogue'],
    queryFn: () => answered(api.GET('/api/v1/catalogue')),
    staleTime: Infinity,
  });
}
