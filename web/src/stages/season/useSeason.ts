import { useQuery, type QueryClient } from '@tanstack/react-query';
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
  return useQuery({
    ...seasonQuery(useChosenSeason()),
    // What is still being worked out is asked for again until it is there.
    refetchInterval: (query) => (query.state.data?.pending ? 1000 : false),
  });
}

const seasonQuery = (season: number | null) => ({
  queryKey: ['season', season],
  queryFn: () => answered(api.GET('/api/v1/season', { params: { query: season === null ? {} : { season } } })),
});

/** Takes over what the server had the browser ask for ahead, before the page is drawn. */
export function askAhead(client: QueryClient) {
  if (document.querySelector('link[rel="preload"][href="/api/v1/season"]'))
    void client.prefetchQuery(seasonQuery(null));
}
