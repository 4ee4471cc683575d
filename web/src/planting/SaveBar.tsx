import { Button } from 'antd';
import { useReading } from '../words/useReading';
import type { PartName } from './parts';
import { usePlantingWork } from './usePlanting';

/** Save and undo for one part, and what went wrong beside any field. */
export function SaveBar({ section }: { section: PartName }) {
  const { t } = useReading();
  const { unsaved, saving, failure, save, discard, may, view } = usePlantingWork();
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
      <span className="small dim" role="status" data-test="save-state">
        {dirty ? t('unsaved') : t('saved')}
      </span>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </div>
  );
}
