import { fieldControls } from '../entry/fieldControls';
import { useReading } from '../words/useReading';
import { usePlantingWork } from './usePlanting';

/** The inputs of one part of the planting at hand. */
export function useFormFields(section: 'planting' | 'target' | 'settings') {
  const { t } = useReading();
  const { draft, change, problem, save } = usePlantingWork();
  return fieldControls(
    section,
    draft(section),
    (next) => {
      change(section, next);
    },
    (path) => problem(section, path),
    t,
    () => void save(section),
  );
}
