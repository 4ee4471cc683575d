import { useEffect, useRef } from 'react';

/** A trunk caliper: something that tells trunk girths in mm as they are measured. A real device plugs in here. */
export interface TrunkCaliper {
  /** Tells each girth from now on; answers how to stop. */
  listen: (told: (girthMm: number) => void) => () => void;
}

/** A caliper that a program on this device tells of over the loopback address, one reading an event. */
export const loopbackCaliper: TrunkCaliper = {
  listen(told) {
    const source = new EventSource('http://127.0.0.1:5077/readings');
    source.onmessage = (e: MessageEvent<string>) => {
      const { girthMm } = JSON.parse(e.data) as { girthMm: number };
      if (Number.isFinite(girthMm) && girthMm > 0) told(girthMm);
    };
    return () => {
      source.close();
    };
  },
};

const key = 'rama.caliper';

/** Whether a caliper was chosen on this device; one that is not there is not asked for. */
export const caliperChosen = () => localStorage.getItem(key) === 'loopback';

/** Chooses the caliper on this device, or does without. */
export const chooseCaliper = (on: boolean) => {
  localStorage.setItem(key, on ? 'loopback' : '');
};

/** Hands each reading of the caliper to the page while it is on. */
export function useCaliper(on: boolean, told: (girthMm: number) => void, caliper: TrunkCaliper = loopbackCaliper) {
  const latest = useRef(told);
  useEffect(() => {
    latest.current = told;
  });
  useEffect(
    () =>
      on
        ? caliper.listen((mm) => {
            latest.current(mm);
          })
        : undefined,
    [on, caliper],
  );
}
