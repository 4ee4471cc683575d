import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered, type HandCut, type MyPractice } from '../../../api/client';
import type { BenchTree } from '../useBench';

/** How the practice of whoever is signed in goes; nothing is kept where no manager said who of the crew they are. */
export function useMyPractice() {
  return useQuery({
    queryKey: ['practice', 'mine'],
    queryFn: () => answered(api.GET('/api/v1/practice/mine')) as Promise<MyPractice>,
    staleTime: 60_000,
  });
}

/** Keeps a tree one cut oneself; the same id sent twice is one tree. */
export function useKeepMine(planting: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (run: { id: string; tree: BenchTree; cuts: HandCut[] }) =>
      answered(
        api.POST('/api/v1/plantings/{id}/practice/mine', {
          params: { path: { id: planting } },
          body: { ...run.tree, id: run.id, cuts: run.cuts },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ['practice'] }),
  });
}
