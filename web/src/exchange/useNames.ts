import type { Option } from '../entry/Choice';
import { useCatalogue } from '../stages/estate/useCatalogue';
import { useReading } from '../words/useReading';

/** The names a field may hold; null where any may stand. */
export function useNames(field: string): Option[] | null {
  const { local } = useReading();
  const { data } = useCatalogue();
  const same = (name: string) => ({ value: name, label: name });
  switch (field) {
    case 'variety':
      return data?.varieties.map((v) => same(v.name)) ?? [];
    case 'rootstock':
      return data?.rootstocks.map((r) => same(r.name)) ?? [];
    case 'system':
      return data?.systems.map((s) => ({ value: s.id, label: local(s.name) })) ?? [];
    default:
      return null;
  }
}
