import type { TrainingSystem } from '../../../api/client';
import type { PackFaults } from './packFaults';

/** What every list of the editor gets. */
export interface ListProps {
  system: TrainingSystem;
  faults: PackFaults;
  set: (part: Partial<TrainingSystem>) => void;
}
