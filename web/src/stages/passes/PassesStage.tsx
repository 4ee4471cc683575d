import { useQuery } from '@tanstack/react-query';
import { api, answered, type PlannedPass, type ProgrammeView, type UsableDays } from '../../api/client';
import { standing, yearLine, type YearSpan } from '../../drawings/yearLine';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { Months } from './Months';
import { NotedDays } from './NotedDays';
import './passes.css';

/** The year of the planting: its passes on a line of months, with hours, hands and what the days must be like. */
export function PassesStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const programme = useQuery({
    queryKey: ['programme', view.id, view.plantingVersion, view.planVersion],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/programme', { params: { path: { id: view.id } } })),
    enabled: !view.isPast,
  });
  if (view.isPast) return <p className="dim">{t('passes.current-only')}</p>;
  if (programme.error) return <Trouble error={programme.error} retry={() => void programme.refetch()} />;
  if (!programme.data) return <p className="waiting">{t('loading')}</p>;
  return <Year programme={programme.data} />;
}

const spanOf = ({ window }: PlannedPass): YearSpan | null =>
  window.from && window.to && !window.neverOpens ? { from: window.from, to: window.to } : null;

function Year({ programme }: { programme: ProgrammeView }) {
  const { t, number } = useReading();
  const { today, days, late } = programme;
  const { passes, paidHours } = programme.programme;
  const spans = passes.map(spanOf).filter((s) => s !== null);
  const line = yearLine(spans, today);
  const inLine = days.filter((d) => line.at(d.day) >= 0 && line.at(d.day) <= 1);
  return (
    <section className="passes">
      <div className="stage-head">
        <h2>{t('passes.title')}</h2>
        <p className="passes-sum">
          <strong>{number(paidHours, 0)}</strong> <span className="unit">{t('passes.hours')}</span>
        </p>
      </div>
      <Notices notices={late?.warnings ?? []} />
      <div className="passes-line" role="list" data-test="programme">
        <Months months={line.months}>
          {inLine.map((d) => (
            <span
              key={d.anchor}
              className={d.basis === 'recorded' ? 'passes-bud passes-bud-noted' : 'passes-bud'}
              style={{ left: `${line.at(d.day) * 100}%` }}
              title={t(`anchor.${d.anchor}`)}
            />
          ))}
        </Months>
        {passes.map((pass) => (
          <Pass key={pass.id} pass={pass} usable={programme.usable[pass.id] ?? null} today={today} at={line.at} />
        ))}
      </div>
      <NotedDays programme={programme} />
    </section>
  );
}

function Pass({
  pass,
  usable,
  today,
  at,
}: {
  pass: PlannedPass;
  usable: UsableDays | null;
  today: string;
  at: (day: string) => number;
}) {
  const { t, local, number, language, say } = useReading();
  const span = spanOf(pass);
  const state = standing(span, today);
  const day = new Intl.DateTimeFormat(language, { day: 'numeric', month: 'short', timeZone: 'UTC' });
  const when = span && `${day.format(new Date(span.from))} – ${day.format(new Date(span.to))}`;
  const conditions = pass.on.map((c) => t(`day.${c}`));
  return (
    <div className={`passes-row passes-${state}`} role="listitem" data-test={`pass-${pass.id}`}>
      <span className="passes-about">
        <strong>{local(pass.name)}</strong>{' '}
        {pass.hours && (
          <Why steps={pass.hours.steps}>
            {pass.hours.assumed && '≈ '}
            {number(pass.hours.paid, 0)} {t('unit:h')}
          </Why>
        )}
        <br />
        <span className="small">
          {when ?? <span className="passes-says">{pass.says ? say(pass.says) : ''}</span>}
          {pass.everyDays != null && ` · ${t('passes.every', { days: pass.everyDays, times: pass.times ?? 1 })}`}
        </span>
        <br />
        <span className="small">{local(pass.what)}</span>
        <br />
        <span className="small dim">
          {t('passes.hands', { hands: pass.hands.map((h) => t(`hands.${h}`)).join(', ') })}
          {conditions.length > 0 && ` · ${t('passes.on', { conditions: conditions.join(', ') })}`}
          {usable && ` · ${t('passes.usable', { ...usable, count: usable.years })}`}
        </span>
        {pass.cuts.length > 0 && (
          <span className="small passes-cuts">{pass.cuts.map((c) => local(c.name)).join(' · ')}</span>
        )}
        {pass.caution && <span className="small passes-caution">▲ {local(pass.caution)}</span>}
      </span>
      <span className="passes-track">
        <span className="passes-today" style={{ left: `${at(today) * 100}%` }} />
        {span && (
          <span
            className="passes-band"
            style={{ left: `${at(span.from) * 100}%`, width: `${Math.max(0.4, (at(span.to) - at(span.from)) * 100)}%` }}
          />
        )}
      </span>
    </div>
  );
}
