import type { ReactNode } from 'react';

/** What may be wider than a phone: there it scrolls by itself, by finger and by keys, and the page does not. */
export function Wide({ className = '', children }: { className?: string; children: ReactNode }) {
  const isPhone = window.matchMedia('(max-width: 820px)').matches;
  return (
    <div className={`wide ${className}`} tabIndex={isPhone ? 0 : undefined}>
      {children}
    </div>
  );
}
