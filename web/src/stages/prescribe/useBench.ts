import { keepPreviousData, useMutation, useQuery, useQueryClient, type UseQueryOptions } from '@tanstack/react-query';
import { useState } from 'react';
import {
  api,
  answered,
  type BenchCut,
  type BenchView,
  type HandCut,
  type PracticeScore,
  type Step,
} from '../../api/client';

/** Which tree of a planting stands on the bench. */
export interface BenchTree {
  class: string | null;
  number: number;
  row: number | null;
  tree: number | null;
  /** The pass it is cut in; null for the winter. */
  pass: string | null;
}

export type BenchMode = 'card' | 'hand' | 'practice';

/** A tree on the bench: stepping through the prescription, or cutting by hand with undo and redo. */
export function useBench(id: string, choice: BenchTree, start: BenchMode = 'card') {
  const [mode, setMode] = useState<BenchMode>(start);
  const [step, setStep] = useState<number | null>(null);
  // Cuts by hand are kept as they were made and told anew by the core each time, so that undoing and redoing cannot
  // drift.
  const [hand, setHand] = useState<{ cuts: HandCut[]; undone: HandCut[] }>({ cuts: [], undone: [] });
  const client = useQueryClient();
  const at = { params: { path: { id } } };
  const bench = useQuery({
    queryKey: ['bench', id, choice],
    queryFn: () => answered(api.POST('/api/v1/plantings/{id}/bench', { ...at, body: choice })) as Promise<BenchView>,
    placeholderData: keepPreviousData,
  });
  const tell = (cuts: HandCut[]): UseQueryOptions<{ cuts: BenchCut[]; score: PracticeScore; steps: Step[] }> => ({
    queryKey: ['bench-cuts', id, choice, cuts],
    queryFn: ({ signal }) =>
      answered(api.POST('/api/v1/plantings/{id}/bench/cuts', { ...at, body: { ...choice, cuts }, signal })) as Promise<{
        cuts: BenchCut[];
        score: PracticeScore;
        steps: Step[];
      }>,
    gcTime: 60_000,
  });
  const told = useQuery({
    ...tell(hand.cuts),
    enabled: mode !== 'card',
    placeholderData: keepPreviousData,
  });
  const keep = useMutation({
    mutationFn: (run: { id: string; worker: string }) =>
      answered(api.POST('/api/v1/plantings/{id}/practice', { ...at, body: { ...choice, ...run, cuts: hand.cuts } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['practice'] }),
  });

  const prescribed = bench.data?.prescribed ?? [];
  const shown = Math.min(step ?? prescribed.length, prescribed.length);
  const made: BenchCut[] =
    mode === 'card' ? prescribed.slice(0, shown) : hand.cuts.length === 0 ? [] : (told.data?.cuts ?? []);

  return {
    bench,
    mode,
    made,
    ahead: mode === 'card' ? prescribed.slice(shown) : [],
    step: shown,
    cuts: hand.cuts,
    handCuts: hand.cuts.length,
    undone: hand.undone.length,
    score: told.data?.score ?? null,
    telling: told.isFetching,
    troubled: told.error,
    keep,
    /** Asks why the tree's measures are what they are as it stands. */
    why: tell(mode === 'card' ? made.map(toHand) : hand.cuts),
    go: (to: number) => {
      setStep(Math.max(0, Math.min(prescribed.length, to)));
    },
    enter: (next: BenchMode) => {
      // Taking over goes on from where the prescription stands.
      if (next === 'hand' && mode === 'card') setHand({ cuts: prescribed.slice(0, shown).map(toHand), undone: [] });
      if (next === 'practice') setHand({ cuts: [], undone: [] });
      keep.reset();
      setMode(next);
    },
    restart: () => {
      setHand({ cuts: [], undone: [] });
      setStep(null);
      keep.reset();
    },
    cut: (cut: HandCut) => {
      setHand(({ cuts }) => ({ cuts: [...cuts, cut], undone: [] }));
    },
    undo: () => {
      setHand(({ cuts, undone }) =>
        cuts.length === 0 ? { cuts, undone } : { cuts: cuts.slice(0, -1), undone: [...undone, cuts.at(-1)!] },
      );
    },
    redo: () => {
      setHand(({ cuts, undone }) =>
        undone.length === 0 ? { cuts, undone } : { cuts: [...cuts, undone.at(-1)!], undone: undone.slice(0, -1) },
      );
    },
  };
}

function toHand(cut: BenchCut): HandCut {
  return cut.bud === null ? { branch: cut.branch, leaveM: cut.leaveM } : { bud: cut.bud };
}
