import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered, type CourseTree, type NextTree } from '../../api/client';
import { useSession } from '../../people/session';

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

/** Trees remembered; a course has five. */
const MOST = 50;

type Scores = [tree: string, score: number][];

/**
 * What trees came to that whoever is signed in cut on this device: their own notes, told to nobody. Who shares the
 * device begins anew.
 */
export function useCourseScores() {
  const key = `rama-course-${useSession().data?.person?.id ?? ''}`;
  const [changes, setChanges] = useState(0);
  const scores = read(key);
  const write = (next: Scores) => {
    window.localStorage.setItem(key, JSON.stringify(next));
    setChanges(changes + 1);
  };
  return {
    of: (t: CourseTree) => scores.find(([tree]) => tree === treeOf(t.planting, t.asks.class, t.asks.number))?.[1],
    /** A tree counts as it was cut first. */
    keep: (planting: string, trunk: string, number: number, score: number) => {
      const tree = treeOf(planting, trunk, number);
      if (!scores.some(([known]) => known === tree)) write([...scores, [tree, score] as const].slice(-MOST) as Scores);
    },
    forget: () => {
      write([]);
    },
  };
}

const treeOf = (planting: string, trunk: string, number: number) => `${planting}/${trunk}/${number}`;

function read(key: string): Scores {
  try {
    const kept: unknown = JSON.parse(window.localStorage.getItem(key) ?? '[]');
    return Array.isArray(kept) ? (kept as Scores) : [];
  } catch {
    return [];
  }
}
