import { useCatalogue } from '../stages/estate/useCatalogue';

/** How a crop bears, for the words of what is counted on it; null until known. */
export function useHabit(crop: string | undefined): string | null {
  const catalogue = useCatalogue();
  return catalogue.data?.crops.find((c) => c.id === crop)?.habit ?? null;
}
