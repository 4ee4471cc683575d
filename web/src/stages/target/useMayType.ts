import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';

/** Whether this person may type a target: to set it, or only to propose it. */
export function useMayType(): boolean {
  const may = useMay();
  const { view, may: mayChange } = usePlantingWork();
  return mayChange('target') || (may('propose') && !view.isPast);
}
