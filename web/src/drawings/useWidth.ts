import { useEffect, useRef, useState } from 'react';

/** The width of an element as it is now, for drawings that keep their type size while they stretch. */
export function useWidth<T extends HTMLElement>(first: number) {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(first);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.max(200, Math.round(entry.contentRect.width)));
    });
    if (ref.current) observer.observe(ref.current);
    return () => {
      observer.disconnect();
    };
  }, []);
  return [ref, width] as const;
}
