import { useState } from 'react';
import { useSession } from '../../people/session';

/** How much room a planting has on the season page. */
export type Density = 'roomy' | 'dense';

/** Remembered for each person of a device. */
export function useDensity() {
  const session = useSession();
  const key = `rama.season.${session.data?.person?.email ?? ''}`;
  const [density, setDensity] = useState<Density>(() => (localStorage.getItem(key) === 'dense' ? 'dense' : 'roomy'));
  const choose = (next: Density) => {
    localStorage.setItem(key, next);
    setDensity(next);
  };
  return [density, choose] as const;
}
