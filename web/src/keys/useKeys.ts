import { useEffect, useRef } from 'react';
import { useTell, type ToldKeys } from './told';

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
      if (e.ctrlKey || e.metaKey || e.altKey || at.closest('input, textarea, select, [role="dialog"]')) return;
      // A button that has the focus is pressed by these two.
      if ((e.key === 'Enter' || e.key === ' ') && at.closest('button, a, summary')) return;
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
