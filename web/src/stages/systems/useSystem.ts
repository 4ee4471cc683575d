import { keepPreviousData, useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered, type CutTree, type PackPreview, type SystemTrees, type TrainingSystem } from '../../api/client';

const SHARE_LEFT = 0.7;
const SEED = 4;

/** Stands for a system to begin a new one with. */
export const BLANK = 'blank';

/** A training system's rule pack with the words its rules may use; as shipped, where that is asked for. */
export function usePack(id: string, shipped = false) {
  return useQuery({
    queryKey: ['system', id, shipped],
    queryFn: () =>
      answered(
        id === BLANK
          ? api.GET('/api/v1/catalogue/systems/blank')
          : api.GET('/api/v1/catalogue/systems/{system}', { params: { path: { system: id }, query: { shipped } } }),
      ),
  });
}

/** A typical tree of a shipped or saved system, cut by it in a heavy year. */
export function useSampleTree(system: TrainingSystem | undefined) {
  return useQuery({
    queryKey: ['sample-tree', system?.id, system?.version],
    queryFn: () =>
      answered(
        api.POST('/api/v1/calculations/cut-tree', {
          body: { system: system!.id, budsToLeave: Math.max(1, system!.form.typical.buds * SHARE_LEFT), seed: SEED },
        }),
      ) as Promise<CutTree>,
    enabled: system !== undefined,
    staleTime: Infinity,
  });
}

/** Typical trees of systems, thin, middle and thick, cut by them, and what is measured on many of them. */
export function useSystemTrees(ids: readonly string[]) {
  const client = useQueryClient();
  const keyOf = (id: string) => ['sample-tree', 'all', id];
  // One after the other: each is work for the server.
  const settled = (id: string) => (client.getQueryState(keyOf(id))?.status ?? 'pending') !== 'pending';
  return useQueries({
    queries: ids.map((id, i) => ({
      queryKey: keyOf(id),
      queryFn: () =>
        answered(
          api.GET('/api/v1/catalogue/systems/{system}/trees', { params: { path: { system: id } } }),
        ) as Promise<SystemTrees>,
      staleTime: Infinity,
      enabled: ids.slice(0, i).every(settled),
    })),
  });
}

/** The same for a pack that is still being written; what is wrong with it comes as the error. */
export function usePreview(system: TrainingSystem | null) {
  return useQuery({
    queryKey: ['pack-preview', system],
    queryFn: ({ signal }) =>
      answered(
        api.POST('/api/v1/catalogue/systems/preview', { body: { version: 0, system: system as never }, signal }),
      ) as Promise<PackPreview>,
    enabled: system !== null,
    placeholderData: keepPreviousData,
    gcTime: 30_000,
  });
}

export function useSaveSystem() {
  const client = useQueryClient();
  const onSuccess = () =>
    Promise.all(
      [['catalogue'], ['system'], ['sample-tree'], ['planting']].map((queryKey) =>
        client.invalidateQueries({ queryKey }),
      ),
    );
  return {
    save: useMutation({
      mutationFn: ({ version, system }: { version: number; system: TrainingSystem }) =>
        answered(api.PUT('/api/v1/catalogue/systems', { body: { version, system: system as never } })),
      onSuccess,
    }),
    remove: useMutation({
      mutationFn: (id: string) =>
        answered(api.DELETE('/api/v1/catalogue/systems/{system}', { params: { path: { system: id } } })),
      onSuccess,
    }),
  };
}
