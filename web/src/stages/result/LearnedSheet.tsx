import type { PlantingView } from '../../api/client';
import { ForetoldSeasons } from '../../drawings/ForetoldSeasons';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';

type Learned = NonNullable<PlantingView['learned']>;

/** What past seasons taught of the set, how sure, what it would have foretold, and where it is used. */
export function LearnedSheet({ learned, use }: { learned: Learned; use: PlantingView['learnedUse'] }) {
  const { t, say, told, number } = useReading();
  return (
    <aside className="sheet learned" data-test="learned">
      <h2>{t('learned.title')}</h2>
      <p>
        <Why main steps={learned.steps}>
          <span className="result-big">{told(learned.learned, 'share', 0)}</span>
        </Why>{' '}
        {t('learned.range', { low: number(learned.low * 100, 0), high: told(learned.high, 'share', 0) })}
      </p>
      <p>{say(learned.sentence)}</p>
      <ForetoldSeasons
        seasons={learned.history}
        shipped={learned.shipped}
        label={t('learned.drawing', { usual: told(learned.shipped, 'share', 0) })}
      />
      <p className="small dim">{t('learned.drawing', { usual: told(learned.shipped, 'share', 0) })}</p>
      {learned.atLeast > 0 && <p className="small dim">{t('learned.at-least', { count: learned.atLeast })}</p>}
      <p>
        {use
          ? t('learned.used', { factor: number(use.factor, 2), without: number(use.without, 2) })
          : t('learned.not-used')}
      </p>
    </aside>
  );
}
