import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered, type CourseTree, type NextTree } from '../../api/client';

const SEEN_KEY = 'rama-course';

/** Five trees for a first day, of the estate's own systems and rising difficulty. */
export function useCourse() {
  return useQuery({
    queryKey: ['course'],
    queryFn: () => answered(api.GET('/api/v1/practice/course')) as Promise<CourseTree[]>,
    staleTime: 5 * 60_000,
  });
}

/** Chooses the next tree of a planting by what was said of the last. */
export function useNextTree(id: string) {
  return useMutation({
    mutationFn: (body: { class: string; seen: number[]; said: string[] }) =>
      answered(
        api.POST('/api/v1/plantings/{id}/practice/next', { params: { path: { id } }, body }),
      ) as Promise<NextTree>,
  });
}

const treeOf = (planting: string, trunk: string, number: number) => `${planting}/${trunk}/${number}`;

/** What the trees of the course came to on this device: a pruner's own notes, told to nobody. */
export function useCourseScores() {
  const [scores, setScores] = useState<Record<string, number>>(read);
  return {
    of: (t: CourseTree) => scores[treeOf(t.planting, t.asks.class, t.asks.number)],
    keep: (planting: string, trunk: string, number: number, score: number) => {
      const key = treeOf(planting, trunk, number);
      // A tree counts as it was cut first.
      if (key in scores) return;
      const next = { ...scores, [key]: score };
      setScores(next);
      window.localStorage.setItem(SEEN_KEY, JSON.stringify(next));
    },
    forget: () => {
      setScores({});
      window.localStorage.removeItem(SEEN_KEY);
    },
  };
}

function read(): Record<string, number> {
  try {
    return JSON.parse(window.localStorage.getItem(SEEN_KEY) ?? '{}') as Record<string, number>;
  } catch {
    return {};
  }
}
