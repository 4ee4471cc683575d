import type { ReactNode } from 'react';
import { useReading } from '../words/useReading';
import '../words/check';

/** A count that looks wrong: made once more, or said to stand. */
export function CountAgain({
  test,
  onAgain,
  onStands,
  children,
}: {
  test: string;
  onAgain: () => void;
  onStands: () => void;
  children: ReactNode;
}) {
  const { t } = useReading();
  return (
    <div className="field-sheet" role="alert" data-test={`${test}-doubt`}>
      <p>{children}</p>
      <div className="tally-acts">
        <button type="button" className="key" onClick={onAgain}>
          {t('check.again')}
        </button>
        <button type="button" className="key" onClick={onStands} data-test={`${test}-sure`}>
          {t('check.stands')}
        </button>
      </div>
    </div>
  );
}
