import { useEffect, useSyncExternalStore } from 'react';

/** Keys of one place, for the sheet that tells them. */
export interface ToldKeys {
  /** Word of their heading. */
  title: string;
  /** Keys that do one thing, and the word of what it is. */
  lines: readonly (readonly [keys: string, does: string])[];
}

let told: readonly ToldKeys[] = [];
const watching = new Set<() => void>();
const change = (next: readonly ToldKeys[]) => {
  told = next;
  for (const watcher of watching) watcher();
};

/** Keys of what is on the screen, the frame's first. */
export const useTold = () =>
  useSyncExternalStore(
    (watcher) => {
      watching.add(watcher);
      return () => watching.delete(watcher);
    },
    () => told,
  );

/** Tells keys as long as what they belong to is on the screen. */
export function useTell(keys: ToldKeys | undefined) {
  useEffect(() => {
    if (!keys) return;
    change([...told, keys]);
    return () => {
      change(told.filter((t) => t !== keys));
    };
  }, [keys]);
}

/** Each key of a line of the sheet: "1–5 7" is 1, 2, 3, 4, 5 and 7. */
export const keysOf = ([keys]: ToldKeys['lines'][number]): string[] =>
  keys.split(' ').flatMap((part) => {
    const [, from, to] = /^(\d)–(\d)$/.exec(part) ?? [];
    return from && to
      ? Array.from({ length: Number(to) - Number(from) + 1 }, (_, i) => String(Number(from) + i))
      : part;
  });
