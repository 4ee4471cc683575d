import { useEffect, useRef } from 'react';
import { useTell, type ToldKeys } from './told';

/** Where keys are letters of a text, or choose among others. */
const typing = 'input:not([type="checkbox"], [type="radio"]), textarea, select, [role="dialog"]';

/** Single-key commands of a page; they rest while someone types or a dialog is open. */
export function useKeys(keys: Record<string, () => void>, told?: ToldKeys) {
  useTell(told);
  const current = useRef(keys);
  useEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const at = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || at.closest(typing)) return;
      // What has the focus is pressed by these two.
      if ((e.key === 'Enter' || e.key === ' ') && at.closest('button, a, summary, input')) return;
      // And among a few that exclude each other these choose.
      if (e.key.startsWith('Arrow') && at.closest('input')) return;
      const act = current.current[e.key];
      if (!act) return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  }, []);
}
