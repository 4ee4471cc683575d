import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { api, answered } from '../../api/client';

/** The season named in the address; null for the one at hand. */
export function useChosenSeason(): number | null {
  const [search] = useSearchParams();
  const named = Number(search.get('season'));
  return Number.isInteger(named) && named > 0 ? named : null;
}

/** The season page's data; the order of its plantings is the order of the work everywhere. */
export function useSeason() {
  const season = useChosenSeason();
  return useQuery({
    queryKey: ['season', season],
    // What is still being worked out is asked for again until it is there.
    refetchInterval: (query) => (query.state.data?.pending ? 1000 : false),
    queryFn: () => answered(api.GET('/api/v1/season', { params: { query: season === null ? {} : { season } } })),
  });
}
