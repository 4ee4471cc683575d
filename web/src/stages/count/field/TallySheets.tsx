import { useReading } from '../../../words/useReading';
import type { TallyWork } from './useTally';

const skipReasons = ['missing', 'replant', 'pollinizer', 'broken', 'unlike', 'other'] as const;

/** Why a tree of the route is passed over. */
export function SkipSheet({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { skip } = work;
  return (
    <div className="field-sheet" data-test="skip-reasons">
      <p>{t('field.skip-why')}</p>
      <div className="tally-acts">
        {skipReasons.map((r) => (
          <button type="button" key={r} className="key" onClick={() => void skip(r)}>
            {t(`field.skip.${r}`)}
          </button>
        ))}
      </div>
    </div>
  );
}

/** How this device counts, and a note on the tree. */
export function MannerSheet({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { manner, tally, caliper, canTakeBack, step, chooseManner, takeBack, toggleCaliper } = work;
  return (
    <div className="field-sheet">
      <div className="tally-acts">
        {(['floral', 'kinds', 'all'] as const).map((by) => (
          <button
            type="button"
            key={by}
            className={manner.by === by ? 'key key-on' : 'key'}
            aria-pressed={manner.by === by}
            onClick={() => {
              chooseManner({ ...manner, by, pad: by === 'kinds' ? false : manner.pad });
            }}
            data-test={`by-${by}`}
          >
            {t(`field.by.${by}`)}
          </button>
        ))}
      </div>
      <div className="tally-acts">
        <button
          type="button"
          className={manner.limbwise ? 'key key-on' : 'key'}
          aria-pressed={manner.limbwise}
          onClick={() => {
            chooseManner({ ...manner, limbwise: !manner.limbwise });
          }}
          data-test="limbwise"
        >
          {t('field.limbwise')}
        </button>
        <button
          type="button"
          className={manner.ages ? 'key key-on' : 'key'}
          aria-pressed={manner.ages}
          disabled={!manner.limbwise}
          onClick={() => {
            chooseManner({ ...manner, ages: !manner.ages });
          }}
          data-test="ages"
        >
          {t('field.ages')}
        </button>
        <button
          type="button"
          className={manner.pad ? 'key key-on' : 'key'}
          aria-pressed={manner.pad}
          disabled={manner.by === 'kinds'}
          onClick={() => {
            chooseManner({ ...manner, pad: !manner.pad });
          }}
          data-test="pad"
        >
          {t('field.pad')}
        </button>
        <button
          type="button"
          className={caliper ? 'key key-on' : 'key'}
          aria-pressed={caliper}
          onClick={toggleCaliper}
          data-test="caliper"
        >
          {t('field.caliper')}
        </button>
        <button type="button" className="key" disabled={!canTakeBack} onClick={() => void takeBack()}>
          {t('field.take-back')}
        </button>
      </div>
      <label className="field-notes">
        {t('field.note')}
        <input
          value={tally.note}
          maxLength={500}
          onChange={(e) => {
            step((now) => ({ ...now, note: e.target.value }));
          }}
        />
      </label>
      <p className="small dim">{t('field.keys')}</p>
    </div>
  );
}
