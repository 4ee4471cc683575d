import type { SiteHeat } from '../../api/client';
import { Why } from '../../entry/Why';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import './weather.css';

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
