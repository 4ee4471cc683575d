import { useEffect, useRef, useState } from 'react';
import type { BlockSimulation, CuttingEntry, SimulationStep } from '../../api/client';
import { steps } from '../../exchange/steps';
import { useReading } from '../../words/useReading';

export interface SimulationWish {
  cutting: CuttingEntry;
  system: string | null;
  trees: number;
}

/** Carries a prescription out on many trees; what is asked for anew ends what was under way. */
export function useSimulation(id: string) {
  const { t } = useReading();
  const [state, setState] = useState<{
    share: number | null;
    /** Others that come first, while it waits for its turn. */
    ahead: number | null;
    result: BlockSimulation | null;
    problem: string | null;
  }>({ share: null, ahead: null, result: null, problem: null });
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  return {
    ...state,
    cancel: () => {
      running.current?.abort();
      setState((s) => ({ ...s, share: null }));
    },
    run: async (wish: SimulationWish) => {
      running.current?.abort();
      const mine = new AbortController();
      running.current = mine;
      setState((s) => ({ ...s, share: 0, ahead: null, problem: null }));
      try {
        const response = await fetch(`/api/v1/plantings/${id}/simulation`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          signal: mine.signal,
          body: JSON.stringify({
            cutting: wish.cutting,
            ...(wish.system ? { system: wish.system } : {}),
            trees: wish.trees,
          }),
        });
        if (response.status === 429) throw new Error(t('failure.busy'));
        if (!response.ok || !response.body) {
          const problem = (await response.json().catch(() => ({}))) as {
            title?: string;
            problems?: { message: string }[];
          };
          throw new Error(problem.problems?.[0]?.message ?? problem.title ?? `${response.status}`);
        }
        for await (const step of steps<SimulationStep>(response.body)) {
          if (mine.signal.aborted) return;
          setState((s) => ({
            share: step.result || step.problem ? null : step.share,
            ahead: step.ahead ?? null,
            result: step.result ?? s.result,
            problem: step.problem ?? null,
          }));
        }
      } catch (e) {
        if (!mine.signal.aborted)
          setState((s) => ({ ...s, share: null, problem: e instanceof Error ? e.message : String(e) }));
      }
    },
  };
}
