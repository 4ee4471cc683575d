import { useReading } from '../../../words/useReading';
import type { TallyWork } from './useTally';

/** What is odd about the tree just done, and the two ways on. */
export function DoubtSheet({ work }: { work: TallyWork }) {
  const { t, number } = useReading();
  const { doubts, treeDone, countOn } = work;
  if (doubts.length === 0) return null;
  const only = doubts.length === 1 ? doubts[0]!.about : 'several';
  return (
    <div className="field-sheet field-doubt" role="alertdialog" aria-label={t('field.doubt')} data-test="doubt">
      {doubts.map((doubt) => (
        <p key={doubt.about}>
          {doubt.about === 'buds'
            ? t('field.doubt.buds', {
                buds: number(doubt.buds, 0),
                from: number(doubt.from, 0),
                to: number(doubt.to, 0),
              })
            : doubt.about === 'again'
              ? t(doubt.buds === null ? 'field.doubt.again' : 'field.doubt.again-buds', {
                  buds: number(doubt.buds ?? 0, 0),
                })
              : t(`field.doubt.${doubt.about}`)}
        </p>
      ))}
      <div className="tally-acts">
        <button type="button" className="key key-done" onClick={countOn} data-test="count-on">
          {t('field.count-on')}
        </button>
        <button type="button" className="key" onClick={() => void treeDone(true)} data-test="keep-it">
          {t(`field.keep.${only}`)}
        </button>
      </div>
    </div>
  );
}
