import { Button } from 'antd';
import { useReading } from '../../../words/useReading';
import type { useKeepMine } from './useMyPractice';

/** Tells whether a tree one cut oneself is kept; what went wrong can be tried again, with nothing lost. */
export function KeptForMe({ keep, again }: { keep: ReturnType<typeof useKeepMine>; again: () => void }) {
  const { t } = useReading();
  if (keep.error)
    return (
      <p className="field-problem" role="alert">
        {keep.error.message} <Button onClick={again}>{t('practice.keep-again')}</Button>
      </p>
    );
  return (
    <p className="small" role="status" data-test="kept-mine">
      {t(keep.isSuccess ? 'practice.kept-mine' : 'practice.keeping')}
    </p>
  );
}
