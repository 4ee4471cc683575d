import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { usePlantingWork } from '../../planting/usePlanting';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import type { JustRemoved } from '../season/RemovedNote';
import { useRemoving } from './useRemoved';

/** Takes the planting out of the estate; the season page then offers to bring it back. */
export function RemovePlanting() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const go = useNavigate();
  const { remove, busy, refused } = useRemoving();
  if (!may('plantings') || view.isPast) return null;
  const state: JustRemoved = { removed: [{ id: view.id, code: view.planting.code ?? '' }] };
  return (
    <section className="planting-removal">
      <p className="small dim">{t('removed.do-text')}</p>
      <Button
        loading={busy}
        onClick={() => void remove([view.id]).then((done) => done && go('/', { state }))}
        data-test="remove-planting"
      >
        {t('removed.do')}
      </Button>
      {refused && (
        <p className="field-problem" role="alert">
          {refused}
        </p>
      )}
    </section>
  );
}
