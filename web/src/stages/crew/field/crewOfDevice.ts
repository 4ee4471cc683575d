import { useState } from 'react';

const CREW_KEY = 'rama.work.crew';

/** The crew chosen on this device, remembered over pages and restarts; the first where it is none of the estate's. */
export function useCrewOfDevice(crews: readonly { id: string }[]) {
  const [chosen, setChosen] = useState(() => localStorage.getItem(CREW_KEY) ?? '');
  const crew = (crews.find((c) => c.id === chosen) ?? crews[0])?.id ?? '';
  return [
    crew,
    (id: string) => {
      localStorage.setItem(CREW_KEY, id);
      setChosen(id);
    },
  ] as const;
}
