import { useReading } from '../../../words/useReading';
import { setDiameter, setForked } from './tally';
import type { TallyWork } from './useTally';

/** What is measured besides buds: the trunk, and limb by limb its diameter and fork. */
export function TallyMore({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { tally, trunk, oddGirth, step } = work;
  const limb = tally.limbs.at(-1)!;
  return (
    <div className="tally-more">
      <label>
        {t('count.girth')}{' '}
        <input
          inputMode="decimal"
          value={tally.girth}
          onChange={(e) => {
            step((now) => ({ ...now, girth: e.target.value }));
          }}
          data-test="girth"
        />{' '}
        <span className="unit">cm</span>
      </label>
      {trunk && <strong className="tally-class">{t(`class.${trunk.name}`, { defaultValue: trunk.name })}</strong>}
      {tally.limbwise && (
        <label>
          ⌀{' '}
          <input
            inputMode="decimal"
            value={limb.diameter}
            onChange={(e) => {
              step((now) => setDiameter(now, e.target.value));
            }}
            aria-label={t('field.diameter')}
          />{' '}
          <span className="unit">mm</span>
        </label>
      )}
      {tally.limbwise && (
        <button
          type="button"
          className={limb.forked ? 'key-small key-on' : 'key-small'}
          aria-pressed={limb.forked}
          onClick={() => {
            step((now) => setForked(now, !limb.forked));
          }}
        >
          {t('field.forked')}
        </button>
      )}
      {oddGirth && (
        <span className="field-problem" role="alert">
          {t('field.girth-odd')}
        </span>
      )}
    </div>
  );
}
