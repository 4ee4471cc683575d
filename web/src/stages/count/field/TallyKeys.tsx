import { useReading } from '../../../words/useReading';
import { kindTotal } from './tally';
import type { TallyWork } from './useTally';

/** The keys that count: one a kind, or a pad of digits. */
export function TallyKeys({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { manner, kinds, tally, add } = work;
  return manner.pad ? (
    <Pad work={work} />
  ) : (
    <>
      {kinds.map((kind, i) => (
        <div className="tally-kind" key={kind}>
          <button
            type="button"
            className="key key-main"
            onClick={() => {
              add(kind);
            }}
            data-test={`key-${kind}`}
          >
            <span>
              +1{' '}
              {kinds.length > 1
                ? t(`kind.${kind}`, { defaultValue: kind })
                : t(tally.by === 'floral' ? 'field.floral-bud' : 'field.any-bud')}
            </span>
            {kinds.length > 1 && <span className="key-count">{kindTotal(tally, kind)}</span>}
            <kbd>{i + 1}</kbd>
          </button>
          <button
            type="button"
            className="key key-five"
            onClick={() => {
              add(kind, 5);
            }}
            data-test={`five-${kind}`}
          >
            +5
          </button>
        </div>
      ))}
    </>
  );
}

/** Ten digits, and beside the nought the decimal sign and what ends a limb: one thumb, no keyboard of the phone. */
function Pad({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { tally, at, decimal, press, back, limbDone } = work;
  return (
    <div className="tally-pad">
      {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((d) => (
        <Digit key={d} sign={d} onPress={press} />
      ))}
      {at === 'buds' ? (
        <button type="button" className="key" onClick={back} data-test="undo" aria-label={t('field.undo')}>
          ⌫
        </button>
      ) : (
        <Digit sign={decimal} onPress={press} />
      )}
      <Digit sign="0" onPress={press} />
      {tally.limbwise || at !== 'buds' ? (
        <button type="button" className="key key-next" onClick={limbDone} data-test="limb-done">
          {t(at === 'buds' ? 'field.limb-next' : 'field.to-buds')}
        </button>
      ) : (
        <span />
      )}
    </div>
  );
}

function Digit({ sign, onPress }: { sign: string; onPress: (sign: string) => void }) {
  return (
    <button
      type="button"
      className="key"
      onClick={() => {
        onPress(sign);
      }}
      data-test={`digit-${sign}`}
    >
      {sign}
    </button>
  );
}
