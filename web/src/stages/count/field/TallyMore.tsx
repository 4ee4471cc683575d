import { useReading } from '../../../words/useReading';
import { setAge, setDiameter, setForked, type PadAt } from './tally';
import type { TallyWork } from './useTally';

/** What is measured besides buds: the trunk, and limb by limb its diameter and fork. */
export function TallyMore({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { tally, trunk, oddGirth, step, manner, at, typeAt } = work;
  const limb = tally.limbs.at(-1)!;
  const chip = (which: PadAt, text: string) => (
    <button
      type="button"
      className={at === which ? 'key-small key-on' : 'key-small'}
      aria-pressed={at === which}
      onClick={() => {
        typeAt(at === which ? 'buds' : which);
      }}
      data-test={`at-${which}`}
    >
      {text}
    </button>
  );
  if (manner.pad)
    return (
      <div className="tally-more">
        {chip('girth', `${t('count.girth')} ${tally.girth || '–'} cm`)}
        {trunk && <strong className="tally-class">{t(`class.${trunk.name}`, { defaultValue: trunk.name })}</strong>}
        {tally.limbwise && chip('diameter', `⌀ ${limb.diameter || '–'} mm`)}
        {tally.limbwise && <Forked work={work} />}
        {tally.limbwise && manner.ages && chip('age', `${t('field.age')} ${limb.age || '–'}`)}
        {oddGirth && (
          <span className="field-problem" role="alert">
            {t('field.girth-odd')}
          </span>
        )}
      </div>
    );
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
      {tally.limbwise && <Forked work={work} />}
      {tally.limbwise && manner.ages && (
        <label>
          {t('field.age')}{' '}
          <input
            inputMode="numeric"
            value={limb.age ?? ''}
            onChange={(e) => {
              step((now) => setAge(now, e.target.value));
            }}
            data-test="age"
          />
        </label>
      )}
      {oddGirth && (
        <span className="field-problem" role="alert">
          {t('field.girth-odd')}
        </span>
      )}
    </div>
  );
}

function Forked({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { forked } = work.tally.limbs.at(-1)!;
  return (
    <button
      type="button"
      className={forked ? 'key-small key-on' : 'key-small'}
      aria-pressed={forked}
      onClick={() => {
        work.step((now) => setForked(now, !forked));
      }}
    >
      {t('field.forked')}
    </button>
  );
}
