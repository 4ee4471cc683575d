import { useEffect, useSyncExternalStore } from 'react';
import { keptSaves } from './keptSaves';

/**
 * Saves that can be taken back of what stands here. A list whose lines are typed in a form that closes calls this for
 * each line: what a save came to is what the line shows next.
 */
export function useKeptSaves(of: string, standing: object | null) {
  const saves = useSyncExternalStore(keptSaves.watch, () => keptSaves.of(of));
  useEffect(() => {
    keptSaves.tell(of, standing);
  });
  return saves;
}
