import { Button } from 'antd';
import { useLocation, useNavigate } from 'react-router';
import { useReading } from '../../words/useReading';
import { useRemoving } from '../estate/useRemoved';

/** What the page is told that opens after plantings were removed. */
export interface JustRemoved {
  removed: { id: string; code: string }[];
}

/** Plantings just removed, to be brought back at once. */
export function RemovedNote() {
  const { t } = useReading();
  const go = useNavigate();
  const removed = (useLocation().state as Partial<JustRemoved> | null)?.removed ?? [];
  const { bringBack, busy, refused } = useRemoving();
  if (removed.length === 0) return null;
  const codes = removed.map((p) => p.code).join(', ');
  return (
    <p className="removed-note" role="status" data-test="removed-note">
      {t('removed.told', { codes, count: removed.length })}{' '}
      <Button
        loading={busy}
        onClick={() =>
          void bringBack(removed.map((p) => p.id)).then((done) => done && go('.', { replace: true, state: null }))
        }
      >
        {t('removed.back')}
      </Button>
      {refused && <span className="field-problem">{refused}</span>}
    </p>
  );
}
