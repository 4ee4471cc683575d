import { useReading } from '../../../words/useReading';
import type { running } from './stop';

const verdictMark = { 'too-few': '…', 'go-on': '→', settled: '■', 'not-settled': '◇', 'no-target': '…' };

/** Whether enough is counted, and what was just done. */
export function StopLine({ so, said, planned }: { so: ReturnType<typeof running>; said: string; planned: number }) {
  const { t, number } = useReading();
  if (!so) return <p className="tally-stop">{said || t('field.first', { planned })}</p>;
  return (
    <div className={`tally-stop tally-${so.verdict}`} data-test="stop" data-verdict={so.verdict}>
      <span className="tally-verdict" aria-hidden>
        {verdictMark[so.verdict]}
      </span>
      <span>
        <strong>{t(`field.verdict.${so.verdict}`, { count: so.more, planned })}</strong>
        <br />
        <span className="small">
          {t('field.mean', {
            mean: number(so.mean, 0),
            half: so.half95 === null ? '–' : number(so.half95, 0),
            trees: so.trees,
          })}
          {said && ` · ${said}`}
        </span>
      </span>
    </div>
  );
}
