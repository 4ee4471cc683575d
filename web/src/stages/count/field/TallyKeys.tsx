import { useReading } from '../../../words/useReading';
import { kindTotal } from './tally';
import type { TallyWork } from './useTally';

/** The keys that count: one a kind, or a pad of digits. */
export function TallyKeys({ work }: { work: TallyWork }) {
  const { t } = useReading();
  const { manner, kinds, tally, add } = work;
  return manner.pad ? (
    <div className="tally-pad">
      {[1, 2, 3, 4, 5, 6, 7, 8, 9, 0].map((d) => (
        <button
          type="button"
          key={d}
          className="key"
          onClick={() => {
            add(kinds[0]!, d);
          }}
          data-test={`digit-${d}`}
        >
          {d}
        </button>
      ))}
    </div>
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
