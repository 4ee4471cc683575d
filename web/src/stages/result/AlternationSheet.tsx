import type { PlantingView } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';

/** Whether heavy and light years take turns. */
export function AlternationSheet({ alternation }: { alternation: PlantingView['alternation'] }) {
  const { t, number } = useReading();
  return (
    <aside className="sheet">
      {alternation ? (
        <dl className="chain">
          <div>
            <dt>{t('result.alternation')}</dt>
            <dd>
              <Why main steps={alternation.steps}>
                <span className="big">{number(alternation.index, 2)}</span>
              </Why>
            </dd>
          </div>
          <div>
            <dt>{t('result.pairs')}</dt>
            <dd className="value">{alternation.pairs}</dd>
          </div>
          <div>
            <dt>{t('result.verdict')}</dt>
            <dd>{t(alternation.alternates ? 'result.alternates' : 'result.steady')}</dd>
          </div>
        </dl>
      ) : (
        <p className="dim">{t('result.waiting')}</p>
      )}
      <Notices notices={alternation?.warnings ?? []} />
    </aside>
  );
}
