import { useState } from 'react';
import { seasonKeys } from '../../keys/ofPages';
import { useKeys } from '../../keys/useKeys';
import type { SeasonLine } from '../../api/client';

/** Lines chosen for work on many, and the line the keys are at. */
export function useChosen(shown: SeasonLine[], open: (line: SeasonLine) => void) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [at, setAt] = useState<string | null>(null);
  /** The line chosen last, from which a stretch reaches. */
  const [from, setFrom] = useState<string | null>(null);
  const place = shown.findIndex((l) => l.id === at);
  const here = shown[place];

  const step = (by: number) => {
    const next = shown[place < 0 ? 0 : Math.min(shown.length - 1, Math.max(0, place + by))];
    if (next) setAt(next.id);
  };
  const toggle = (id: string, stretch = false) => {
    const [a, b] = [from, id].map((of) => shown.findIndex((l) => l.id === of));
    const next = new Set(chosen);
    if (stretch && a! >= 0 && b! >= 0)
      for (const line of shown.slice(Math.min(a!, b!), Math.max(a!, b!) + 1)) next.add(line.id);
    else if (!next.delete(id)) next.add(id);
    setChosen(next);
    setFrom(id);
    setAt(id);
  };
  const all = () => {
    setChosen(shown.every((l) => chosen.has(l.id)) ? new Set() : new Set(shown.map((l) => l.id)));
  };
  const clear = () => {
    setChosen(new Set());
  };
  useKeys(
    {
      j: () => {
        step(1);
      },
      k: () => {
        step(-1);
      },
      x: () => {
        if (here) toggle(here.id);
      },
      X: () => {
        if (here) toggle(here.id, true);
      },
      a: all,
      Enter: () => {
        if (here) open(here);
      },
      Escape: () => {
        if (chosen.size > 0) clear();
        else setAt(null);
      },
    },
    seasonKeys,
  );
  return {
    /** What is chosen and shown: nothing is done to a line nobody sees. */
    chosen: shown.filter((l) => chosen.has(l.id)),
    isChosen: (id: string) => chosen.has(id),
    at,
    toggle,
    all,
    clear,
  };
}
