import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { SeasonLine } from '../../api/client';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { useRemoving } from '../estate/useRemoved';
import { CopyAnswers } from './CopyAnswers';
import { totalOf } from './find';
import type { JustRemoved } from './RemovedNote';

/** What can be done for all plantings chosen, at the foot of the list. */
export function Many({ lines, isPast, onClear }: { lines: SeasonLine[]; isPast: boolean; onClear: () => void }) {
  const { t, told } = useReading();
  const go = useNavigate();
  const may = useMay();
  const [copies, setCopies] = useState(false);
  const state = { chosen: lines.map((l) => l.id) };
  const removing = useRemoving();
  const gone: JustRemoved = { removed: lines.map(({ id, code }) => ({ id, code })) };
  const cards = lines.filter((l) => l.hasCard).length;
  return (
    <section className="many" aria-label={t('many.title')} data-test="many">
      <p>
        <strong>{t('many.chosen', { count: lines.length })}</strong> · {told(totalOf(lines).areaHa, 'ha', 1)}
      </p>
      <Button disabled={cards === 0 || isPast} onClick={() => void go('/cards', { state })} data-test="many-cards">
        {t('many.cards', { count: cards })}
      </Button>
      {!isPast && (
        <Button onClick={() => void go('/routes', { state })} data-test="many-routes">
          {t('many.routes')}
        </Button>
      )}
      {may('target') && !isPast && (
        <Button onClick={() => void go('/targets', { state })} data-test="many-targets">
          {t('many.targets')}
        </Button>
      )}
      {may('settings') && !isPast && (
        <Button
          aria-expanded={copies}
          onClick={() => {
            setCopies(!copies);
          }}
          data-test="many-answers"
        >
          {t('many.answers')}
        </Button>
      )}
      {may('plantings') && !isPast && (
        <Button
          loading={removing.busy}
          onClick={() => void removing.remove(state.chosen).then((done) => done && go('.', { state: gone }))}
          data-test="many-remove"
        >
          {t('many.remove')}
        </Button>
      )}
      <Button type="text" onClick={onClear}>
        {t('many.clear')} <kbd>Esc</kbd>
      </Button>
      {copies && <CopyAnswers lines={lines} />}
      {removing.refused && (
        <p className="field-problem" role="alert">
          {removing.refused}
        </p>
      )}
    </section>
  );
}
