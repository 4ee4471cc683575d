import { useEffect } from 'react';

/** Has the browser ask before a page with something unsaved is closed or loaded again. */
export function useLeaveWarning(isUnsaved: boolean) {
  useEffect(() => {
    if (!isUnsaved) return;
    const warn = (e: BeforeUnloadEvent) => {
      e.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
    };
  }, [isUnsaved]);
}
