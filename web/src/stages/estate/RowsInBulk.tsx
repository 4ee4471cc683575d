import { Button } from 'antd';
import { useState } from 'react';
import { api, answered } from '../../api/client';
import { Field } from '../../entry/Field';
import { useAttempt } from '../../entry/useAttempt';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { rowLines } from './draft';

/** Rows by ranges, such as `1-24: 180`; what is left open area and spacings tell. */
export function RowsInBulk({ isOpen }: { isOpen: boolean }) {
  const { t, language } = useReading();
  const { change, entry } = usePlantingWork();
  const [ranges, setRanges] = useState('');
  const { attempt, problem, failure, busy } = useAttempt();
  const fill = () =>
    attempt(async () => {
      const { rowSpacing, treeSpacing, area } = entry.planting!;
      const list = await answered(
        api.POST('/api/v1/calculations/row-list', {
          body: { ranges, planting: { rowSpacing, treeSpacing, area } },
        }),
      );
      change('rows', { lines: rowLines(list.rows, language) });
    });
  const lacksGround = ['rowSpacing', 'treeSpacing', 'area'].some((f) => problem(`planting.${f}`));
  return (
    <details className="rows-bulk" open={isOpen} data-test="rows-bulk">
      <summary>{t('rows.bulk')}</summary>
      <div className="rows-bulk-line">
        <Field
          label={t('rows.ranges')}
          path="ranges"
          text={ranges}
          onText={setRanges}
          numeric={false}
          hint={t('rows.ranges-hint')}
          problem={lacksGround ? t('rows.no-ground') : problem('ranges')}
        />
        <Button loading={busy} disabled={ranges.trim() === ''} onClick={() => void fill()} data-test="fill-rows">
          {t('rows.fill')}
        </Button>
      </div>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </details>
  );
}
