import { Button } from 'antd';
import { useState } from 'react';
import type { SeasonLine } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { titleOf } from '../../planting/titleOf';
import { useReading } from '../../words/useReading';
import { useAnswers } from './useAnswers';

/** How one of the plantings chosen is cut, for all others of its system among them. */
export function CopyAnswers({ lines }: { lines: SeasonLine[] }) {
  const { t } = useReading();
  const [source, setSource] = useState(lines[0]!.id);
  const { went, isRunning, canUndo, copy, stop, undo } = useAnswers();
  const from = lines.find((l) => l.id === source) ?? lines[0]!;
  const to = lines.filter((l) => l.id !== from.id && l.system === from.system);
  return (
    <div className="many-copy">
      <Choice
        label={t('many.copy-from')}
        value={from.id}
        onChange={setSource}
        options={lines.map((l) => ({ value: l.id, label: t('many.copy-of', { planting: titleOf(l) }) }))}
      />
      <Button
        type="primary"
        disabled={to.length === 0 || isRunning}
        onClick={() => void copy(from, to)}
        data-test="copy-answers"
      >
        {to.length === 0 ? t('many.copy-none') : t('many.copy-to', { count: to.length })}
      </Button>
      {isRunning && <Button onClick={stop}>{t('many.stop')}</Button>}
      {canUndo && (
        <Button onClick={() => void undo()} data-test="undo-answers">
          {t('many.undo')}
        </Button>
      )}
      {went && (
        <span role="status" data-test="copied">
          {t('many.copied', { done: went.done - went.failed.length, count: went.of })}
        </span>
      )}
      {went && went.failed.length > 0 && (
        <span className="field-problem">{t('many.failed', { codes: went.failed.join(', ') })}</span>
      )}
    </div>
  );
}
