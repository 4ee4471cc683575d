import { Button } from 'antd';
import { useEffect } from 'react';
import { Link } from 'react-router';
import type { SeasonLine } from '../../api/client';
import { Trouble } from '../../Trouble';
import { HabitContext } from '../../words/habit';
import { useReading } from '../../words/useReading';
import { titleOf } from '../../planting/titleOf';
import { dayOf, verdictOf } from './lineWords';
import { useSeason } from './useSeason';
import './wall.css';

/** Plantings that stand in one column, and in two, of a page. */
const MOST_IN_ONE = 44;
const MOST_IN_TWO = 128;

/** All plantings in the order of the work on one page, for the wall of the shed. */
export function WallPage() {
  const { t, language } = useReading();
  const season = useSeason();
  useEffect(() => {
    document.title = `${t('wall.title')} · Rama`;
  }, [t]);
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;
  const { plantings, estate, today } = season.data;
  const columns = plantings.length <= MOST_IN_ONE ? 1 : plantings.length <= MOST_IN_TWO ? 2 : 3;
  return (
    <main className="wall">
      <div className="wall-tools no-print">
        <Link to="/cards">← {t('wall.cards')}</Link>
        <Button
          type="primary"
          onClick={() => {
            window.print();
          }}
          data-test="wall-print"
        >
          {t('wall.print')}
        </Button>
      </div>
      <article className="wall-page always-day" data-test="wall">
        <header>
          <h1>
            {estate} · {t('winter', { from: season.data.season - 1, to: String(season.data.season).slice(2) })}
          </h1>
          <p>{t('wall.about', { day: dayOf(today, language), count: plantings.length })}</p>
        </header>
        <ol className={`wall-list wall-in-${columns}`}>
          {plantings.map((line) => (
            <HabitContext.Provider key={line.id} value={line.habit}>
              <WallLine line={line} />
            </HabitContext.Provider>
          ))}
        </ol>
      </article>
    </main>
  );
}

function WallLine({ line }: { line: SeasonLine }) {
  const { t, number, language } = useReading();
  const { work, ledger } = line;
  return (
    <li>
      <span>
        <b>{titleOf(line)}</b> {line.variety}
      </span>
      <span>
        {verdictOf(line, t)}
        {ledger?.left != null && (
          <>
            {' '}
            <b>{number(ledger.left, 0)}</b>
          </>
        )}
      </span>
      <span>{work?.window?.to ? t('wall.by', { day: dayOf(work.window.to, language) }) : ''}</span>
    </li>
  );
}
