import { Link } from 'react-router';
import type { SiteWarning } from '../../api/client';
import { HeldUpBy } from '../passes/Outlook';
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
