import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { useCrew } from '../../crew/useCrew';
import type { useBench } from '../useBench';
import { useMyPractice } from './useMyPractice';

const LAST_KEY = 'rama-pruner';

/** Keeps a practice tree under whoever cut it. */
export function KeepTree({ keep }: { keep: ReturnType<typeof useBench>['keep'] }) {
  const { t } = useReading();
  const crew = useCrew();
  const [run] = useState(() => crypto.randomUUID());
  const mine = useMyPractice().data?.worker;
  const [picked, setChosen] = useState(() => window.localStorage.getItem(LAST_KEY));
  const here = (crew.data ?? []).filter((w) => !w.left);
  const chosen = picked ?? mine ?? '';
  // The one of last time may have left.
  const worker = here.some((w) => w.id === chosen) ? chosen : '';
  if (crew.data && here.length === 0)
    return (
      <p>
        {t('practice.nobody')} <Link to="/crew">{t('crew.add')}</Link>
      </p>
    );
  return (
    <>
      <div className="practice-keep">
        <Choice
          label={t('practice.choose')}
          empty={t('practice.choose')}
          value={worker}
          options={here.map((w) => ({ value: w.id, label: w.name }))}
          onChange={setChosen}
        />
        <Button
          type="primary"
          onClick={() => {
            window.localStorage.setItem(LAST_KEY, worker);
            keep.mutate({ id: run, worker });
          }}
          disabled={worker === '' || keep.isPending || keep.isSuccess}
          data-test="keep-run"
        >
          {t(keep.isSuccess ? 'practice.kept' : 'practice.keep')}
        </Button>
      </div>
      {keep.error && <p className="field-problem">{keep.error.message}</p>}
    </>
  );
}
