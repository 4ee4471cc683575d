import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { api, answered, type Hands, type YearLine, type YearView } from '../../api/client';
import { yearLine, type YearSpan } from '../../drawings/yearLine';
import { Why } from '../../entry/Why';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { Months } from './Months';
import { YearStrip } from './YearStrip';
import './passes.css';

/** The year of the estate: hours of each month against what the crews have, and every planting's passes below. */
export function YearPage() {
  const { t } = useReading();
  const year = useQuery({ queryKey: ['year'], queryFn: () => answered(api.GET('/api/v1/year')) });
  useEffect(() => {
    document.title = `${t('year.title')} · Rama`;
  }, [t]);
  if (year.error) return <Trouble error={year.error} retry={() => void year.refetch()} />;
  if (!year.data) return <p className="waiting">{t('loading')}</p>;
  return <Year year={year.data} />;
}

const spansOf = (line: YearLine): YearSpan[] =>
  line.passes.flatMap(({ from, to }) => (from && to ? [{ from, to }] : []));

function Year({ year }: { year: YearView }) {
  const { t, number } = useReading();
  const line = yearLine(year.plantings.flatMap(spansOf), year.today);
  return (
    <main className="page passes">
      <div className="stage-head">
        <h1>{t('year.title')}</h1>
        <p className="passes-sum">
          <strong>{number(year.crew.hours, 0)}</strong> <span className="unit">{t('passes.hours')}</span>
        </p>
      </div>
      <p className="dim">{t('year.text', { week: number(year.crewHoursPerWeek, 0) })}</p>
      <p>
        <Link to="/days">{t('days.open')}</Link>
      </p>
      <Hours months={year.crew.months} />
      <Months months={line.months} />
      <ol className="year-plantings" data-test="year">
        {year.plantings.map((planting) => (
          <li key={planting.id} className="passes-row">
            <Link to={`/plantings/${planting.id}/passes`}>{titleOf(planting)}</Link>
            <YearStrip passes={planting.passes} names={year.names} today={year.today} at={line.at} />
          </li>
        ))}
      </ol>
    </main>
  );
}

const kinds: Hands[] = ['lead', 'pruner', 'height', 'helper', 'chainSaw', 'applicator'];

/** Hours of each month by hands; those of all together over what the crews have are told in rust. */
function Hours({ months }: { months: YearView['crew']['months'] }) {
  const { t, number, language } = useReading();
  const name = new Intl.DateTimeFormat(language, { month: 'short', year: '2-digit', timeZone: 'UTC' });
  const hoursOf = (m: (typeof months)[number], hands: Hands) => m.byHands.find((h) => h.hands === hands)?.hours;
  const hours = (of?: number) => (of ? number(of, 0) : '–');
  const used = kinds.filter((k) => months.some((m) => hoursOf(m, k)));
  const most = Math.max(1, ...months.map((m) => m.hours));
  return (
    <div className="year-hours">
      <table className="figures compact" data-test="year-hours">
        <thead>
          <tr>
            <td />
            {months.map((m) => (
              <th key={`${m.year}-${m.month}`} className="number">
                {name.format(new Date(Date.UTC(m.year, m.month - 1, 15)))}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {used.map((hands) => (
            <tr key={hands}>
              <th scope="row">{t(`hands.${hands}`)}</th>
              {months.map((m) => (
                <td key={`${m.year}-${m.month}`} className="number">
                  {hours(hoursOf(m, hands))}
                </td>
              ))}
            </tr>
          ))}
          <tr className="year-sum">
            <th scope="row">{t('year.all')}</th>
            {months.map((m) => (
              <td key={`${m.year}-${m.month}`} className={m.isOver ? 'number year-over' : 'number'}>
                <span className="year-bar" style={{ height: `${(m.hours / most) * 40}px` }} aria-hidden />
                {m.isOver && '▲ '}
                <Why steps={m.steps}>{number(m.hours, 0)}</Why>
              </td>
            ))}
          </tr>
          <tr className="dim">
            <th scope="row">{t('year.have')}</th>
            {months.map((m) => (
              <td key={`${m.year}-${m.month}`} className="number">
                {number(m.have, 0)}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}
