import { useRef } from 'react';

const DOUBLE_TAP_MS = 700;

/** Tells the second tap of one thumb from a first: what it did the first time is done. */
export function useSecondTap(): (tap: { timeStamp: number }) => boolean {
  const last = useRef(-Infinity);
  return ({ timeStamp }) => {
    const isSecond = timeStamp - last.current < DOUBLE_TAP_MS;
    if (!isSecond) last.current = timeStamp;
    return isSecond;
  };
}
