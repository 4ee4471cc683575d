import { Link } from 'react-router';
import type { SiteHeat, SiteWarning } from '../../api/client';
import { Why } from '../../entry/Why';
import { HeldUpBy } from '../passes/Outlook';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import './weather.css';

/** Weather that holds passes up, and which: nobody reads three hundred lines to see it. */
export function Warnings({ warnings, most }: { warnings: SiteWarning[]; most?: number }) {
  const { t, local } = useReading();
  if (warnings.length === 0) return null;
  const shown = warnings.slice(0, most);
  return (
    <ul className="weather-warnings" data-test="warnings">
      {shown.map((warning) => (
        <li key={`${warning.site} ${warning.by.by} ${warning.by.from}`}>
          {warning.site}: <HeldUpBy held={warning.by} />{' '}
          {t('held.passes', {
            passes: warning.passes.map((p) => local(p)).join(', '),
            plantings: warning.plantings.join(', '),
            count: warning.plantings.length,
          })}
        </li>
      ))}
      {shown.length < warnings.length && (
        <li>
          <Link to="/weather">{t('weather.held', { count: warnings.length })}</Link>
        </li>
      )}
    </ul>
  );
}

/** Degree-days of the season, and the stage they brought the buds to. */
export function Heat({ heat }: { heat: SiteHeat[] }) {
  const { t, local, told } = useReading();
  const day = useDays();
  return heat.map(({ site, crop, heat: sum, stage, next, nextC }) => (
    <span key={`${site} ${crop.en}`} className="small weather-heat" data-test="heat">
      {site}, {local(crop)}:{' '}
      <Why steps={sum.steps}>
        <strong>{told(sum.totalC, '°C-days', 0)}</strong>
      </Why>
      {sum.until && ` ${t('weather.heat-until', { day: day(sum.until) })}`}
      {stage && ` · ${t('weather.heat-stage', { stage: local(stage) })}`}
      {next &&
        nextC !== null &&
        ` · ${t('weather.heat-next', { stage: local(next), heat: told(nextC, '°C-days', 0) })}`}
    </span>
  ));
}
