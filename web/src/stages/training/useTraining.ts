import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, answered, type BareLeaderEntry } from '../../api/client';

/** The training of a planting, with what was measured and done. */
export const useTraining = (id: string) =>
  useQuery({
    queryKey: ['training', id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/training', { params: { path: { id } } })),
  });

/** Its trees at the end of each leaf. */
export const useYoungTrees = (id: string) =>
  useQuery({
    queryKey: ['training-trees', id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/training/trees', { params: { path: { id } } })),
  });

/** A bare leader bud by bud, worked out anew as it is typed; the last one stays meanwhile. */
export const useBareLeader = (entry: BareLeaderEntry) =>
  useQuery({
    queryKey: ['bare-leader', entry],
    queryFn: () => answered(api.POST('/api/v1/calculations/bare-leader', { body: entry })),
    placeholderData: keepPreviousData,
    retry: false,
  });
