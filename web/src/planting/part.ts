import type { Act, PlantingView } from '../api/client';
import type { Read } from '../entry/draft';
import type { Locale } from '../units/format';
import type { Typing } from '../units/system';

/** A part of a planting that is typed, checked and saved as one; each stage has its own beside it. */
export interface PartOf<D, E> {
  /** Whether it belongs to the planting and not to its plan of the season; such parts share a version. */
  ofPlanting: boolean;
  /** What a person must be allowed to do to save it. */
  act: Act;
  from: (view: PlantingView, typing: Typing) => D;
  read: (draft: D, language: Locale) => Read<E>;
  save: (view: PlantingView, entry: E) => Promise<PlantingView>;
}

/** Where a planting's requests go. */
export const at = (view: PlantingView) => ({ params: { path: { id: view.id } } });
