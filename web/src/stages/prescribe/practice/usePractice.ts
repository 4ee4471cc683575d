import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered, type CourseTree, type MyTree, type NextTree } from '../../../api/client';
import { useSession } from '../../../people/session';
import { useMyPractice } from './useMyPractice';

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
 * What trees came to. Whose account is somebody of the crew has theirs kept with the estate; of anybody else the device
 * keeps a note for whoever is signed in, told to nobody.
 */
export function usePracticeScores() {
  const key = `rama-course-${useSession().data?.person?.id ?? ''}`;
  const mine = useMyPractice().data;
  const [changes, setChanges] = useState(0);
  const noted = read(key);
  const write = (next: Scores) => {
    window.localStorage.setItem(key, JSON.stringify(next));
    setChanges(changes + 1);
  };
  return {
    of: (planting: string, trunk: string, number: number) =>
      mine?.worker
        ? mine.trees.find((tree) => same(tree, planting, trunk, number))?.score
        : noted.find(([tree]) => tree === treeOf(planting, trunk, number))?.[1],
    /** Whether they are a note of this device alone. */
    noted: mine !== undefined && !mine.worker,
    /** A tree counts as it was cut first. */
    note: (planting: string, trunk: string, number: number, score: number) => {
      const tree = treeOf(planting, trunk, number);
      if (!noted.some(([known]) => known === tree)) write([...noted, [tree, score] as const].slice(-MOST) as Scores);
    },
    forget: () => {
      write([]);
    },
  };
}

const same = (tree: MyTree, planting: string, trunk: string, number: number) =>
  tree.planting === planting && tree.class === trunk && tree.number === number;

const treeOf = (planting: string, trunk: string, number: number) => `${planting}/${trunk}/${number}`;

function read(key: string): Scores {
  try {
    const kept: unknown = JSON.parse(window.localStorage.getItem(key) ?? '[]');
    return Array.isArray(kept) ? (kept as Scores) : [];
  } catch {
    return [];
  }
}
