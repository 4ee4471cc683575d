import { SaveLine } from '../entry/SaveLine';
import { useReading } from '../words/useReading';
import type { PartName } from './parts';
import { useChangeWords } from './useChangeWords';
import { usePlantingWork } from './usePlanting';

/** Save and undo for one part of a planting. */
export function SaveBar({ section }: { section: PartName }) {
  const { t } = useReading();
  const { unsaved, saving, failure, taken, save, discard, canUndo, undo, may, view } = usePlantingWork();
  const { fieldNames } = useChangeWords();
  if (!may(section))
    return (
      <p className="small dim read-only" data-test="read-only">
        {view.isPast ? t('read-only.past', { season: view.season }) : t('read-only.role')}
      </p>
    );
  return (
    <SaveLine
      of={{
        isDirty: unsaved.includes(section),
        isSaved: true,
        busy: saving,
        failure,
        save: () => void save(section),
        discard: () => {
          discard(section);
        },
        canUndo: canUndo(section),
        undo: () => void undo(section),
      }}
      together={taken?.section === section ? ` ${t('saved-with', { fields: fieldNames(taken.fields) })}` : undefined}
    />
  );
}
