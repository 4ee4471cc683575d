import { Button } from 'antd';
import { useReading } from '../words/useReading';
import type { PartName } from './parts';
import { useChangeWords } from './useChangeWords';
import { usePlantingWork } from './usePlanting';

/** Save and undo for one part, and what went wrong beside any field. */
export function SaveBar({ section }: { section: PartName }) {
  const { t } = useReading();
  const { unsaved, saving, failure, taken, save, discard, canUndo, undo, may, view } = usePlantingWork();
  const { fieldNames } = useChangeWords();
  const dirty = unsaved.includes(section);
  if (!may(section))
    return (
      <p className="small dim read-only" data-test="read-only">
        {view.isPast ? t('read-only.past', { season: view.season }) : t('read-only.role')}
      </p>
    );
  return (
    <div className="save-bar">
      <Button
        type="primary"
        htmlType="button"
        disabled={!dirty}
        loading={saving}
        onClick={() => void save(section)}
        data-test="save"
      >
        {t('save')}
      </Button>
      <Button
        disabled={!dirty || saving}
        onClick={() => {
          discard(section);
        }}
      >
        {t('discard')}
      </Button>
      {!dirty && canUndo(section) && (
        <Button disabled={saving} onClick={() => void undo(section)} data-test="undo-save">
          {t('undo-save')}
        </Button>
      )}
      <span className="small dim" role="status" data-test="save-state">
        {dirty ? t('unsaved') : t('saved')}
        {taken?.section === section && ` ${t('saved-with', { fields: fieldNames(taken.fields) })}`}
      </span>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </div>
  );
}
