import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import { api, answered, type SiteView, type WeatherView } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { SiteForm } from './SiteForm';
import { Heat } from './Heat';
import { Warnings } from './Warnings';
import './weather.css';

/** The weather of the sites: what holds passes up first, then the days, then where they come from. */
export function WeatherPage() {
  const { t } = useReading();
  const weather = useQuery({ queryKey: ['weather'], queryFn: () => answered(api.GET('/api/v1/weather')) });
  useEffect(() => {
    document.title = `${t('weather.title')} · Rama`;
  }, [t]);
  if (weather.error) return <Trouble error={weather.error} retry={() => void weather.refetch()} />;
  if (!weather.data) return <p className="waiting">{t('loading')}</p>;
  return <Weather weather={weather.data} />;
}

function Weather({ weather }: { weather: WeatherView }) {
  const { t } = useReading();
  return (
    <main className="page weather">
      <h1>
        {weather.warnings.length > 0 ? t('weather.held', { count: weather.warnings.length }) : t('weather.title')}
      </h1>
      {weather.warnings.length > 0 ? <Warnings warnings={weather.warnings} /> : <p>{t('weather.none')}</p>}
      <p className="dim">
        <Heat heat={weather.heat} />
      </p>
      {weather.sites.map((site) => (
        <Site key={`${site.id} ${site.version}`} site={site} weather={weather} />
      ))}
    </main>
  );
}

function Site({ site, weather }: { site: SiteView; weather: WeatherView }) {
  const { t, language } = useReading();
  const may = useMay();
  const client = useQueryClient();
  const { attempt, failure, busy } = useAttempt();
  const when = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' });
  const read = () =>
    attempt(async () => {
      await answered(api.POST('/api/v1/sites/{id}/weather', { params: { path: { id: site.id } } }));
      await client.invalidateQueries();
    });
  return (
    <section className="sheet weather-site" data-test={`site-${site.name}`}>
      <h2>{site.name}</h2>
      {site.days.length > 0 ? (
        <Days site={site} today={weather.today} />
      ) : (
        <p className="dim">{t('weather.no-days')}</p>
      )}
      <p className="small dim">
        {t('weather.days', { count: site.measured })}
        {site.site.source &&
          ` · ${site.site.source} · ${
            site.readAt ? t('weather.read', { when: when.format(new Date(site.readAt)) }) : t('weather.never-read')
          }`}
      </p>
      {site.problem && (
        <p className="field-problem" role="alert">
          {t('weather.problem', { problem: t(`source:${site.problem}`, { defaultValue: site.problem }) })}
        </p>
      )}
      {site.site.source && may('settings') && (
        <Button onClick={() => void read()} loading={busy} data-test="read-now">
          {t('weather.read-now')}
        </Button>
      )}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      {may('plan') && <SiteForm site={site} sources={weather.sources} />}
    </section>
  );
}

/** The last two weeks and what is forecast, a column a day; today stands out, a forecast is set in italics. */
function Days({ site, today }: { site: SiteView; today: string }) {
  const { t, amount } = useReading();
  const day = useDays();
  // On a phone what matters is at the end: today and what is forecast.
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (box.current) box.current.scrollLeft = box.current.scrollWidth;
  }, []);
  const value = (of: number | null, unit: string, decimals: number) =>
    of === null ? '–' : amount(of, unit, decimals).number;
  const rows = [
    ['max', '°C', 0, (d: SiteView['days'][number]) => d.maxC],
    ['min', '°C', 0, (d: SiteView['days'][number]) => d.minC],
    ['rain', 'mm/day', amount(1, 'mm/day').unit === 'mm' ? 0 : 2, (d: SiteView['days'][number]) => d.rainMm],
    ['wind', 'm/s', 0, (d: SiteView['days'][number]) => d.windMs],
  ] as const;
  const ahead = site.days.filter((d) => d.isForecast).length;
  const of = (d: SiteView['days'][number]) =>
    [d.isForecast && 'weather-forecast', d.date === today && 'weather-today'].filter(Boolean).join(' ');
  return (
    <div
      className="weather-days"
      ref={box}
      tabIndex={0}
      role="region"
      aria-label={`${t('weather.title')}, ${site.name}`}
    >
      <table className="figures compact" data-test="days">
        <thead>
          <tr>
            <td />
            {site.days.map((d) => (
              <th key={d.date} className={`number ${of(d)}`}>
                {day(d.date)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([row, unit, decimals, get]) => (
            <tr key={row}>
              <th scope="row">
                {t(`weather.${row}`)} <span className="unit">{amount(1, unit).unit}</span>
              </th>
              {site.days.map((d) => (
                <td key={d.date} className={`number ${of(d)}`}>
                  {value(get(d), unit, decimals)}
                </td>
              ))}
            </tr>
          ))}
          {ahead > 0 && (
            <tr className="small dim">
              <td colSpan={site.days.length - ahead + 1} />
              <td colSpan={ahead} className="weather-forecast">
                {t('weather.forecast')}
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}
