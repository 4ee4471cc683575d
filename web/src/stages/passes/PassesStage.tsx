import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type PlannedPass, type ProgrammeView, type WorkProgress } from '../../api/client';
import { yearLine, type YearSpan } from '../../drawings/yearLine';
import { Choice } from '../../entry/Choice';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { useDays } from '../../words/useDays';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { WorkReported } from '../crew/WorkReported';
import { useWork } from '../crew/useWork';
import { Months } from './Months';
import { NotedDays } from './NotedDays';
import { Outlook } from './Outlook';
import { PassChange, usePassChange } from './PassChange';
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

const spanOf = ({ from, to }: { from: string | null; to: string | null }): YearSpan | null =>
  from && to ? { from, to } : null;

function Year({ programme }: { programme: ProgrammeView }) {
  const { view } = usePlantingWork();
  const may = useMay();
  const work = useWork(view.id, may('report'));
  const { t, local, number, told } = useReading();
  const day = useDays();
  const { today, days, late, coldNight } = programme;
  const { passes, paidHours } = programme.programme;
  const spans = passes.flatMap((p) => [spanOf(p), p.choice?.from ? spanOf(p.window) : null]).filter((s) => s !== null);
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
      <Notices notices={[...(late?.warnings ?? []), ...programme.programme.warnings]} />
      {programme.programme.lastYear.map((felt) => (
        <p className="passes-felt" key={felt.id} data-test={`felt-${felt.id}`}>
          {local(felt.effect)}{' '}
          <span className="dim">
            ({local(felt.name)}, {day(felt.done)})
          </span>
        </p>
      ))}
      {coldNight && (
        <p className="passes-says">
          ▲{' '}
          {t('weather.night', {
            value: told(coldNight.lowestC, '°C', 1),
            day: day(coldNight.day),
            limit: told(coldNight.looksAtC, '°C', 1),
          })}{' '}
          {coldNight.loss && (
            <Why steps={coldNight.loss.steps}>
              {t('weather.loss', { loss: number(coldNight.loss.clusterLoss * 100, 0) })}
            </Why>
          )}
        </p>
      )}
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
          <Pass
            key={pass.id}
            pass={pass}
            progress={work.data?.progress[pass.id] ?? null}
            programme={programme}
            at={line.at}
          />
        ))}
      </div>
      <AddPass programme={programme} />
      <WorkReported passes={passes} today={today} />
      <NotedDays programme={programme} />
    </section>
  );
}

const benchOf = (pass: string, id: string) => `/plantings/${id}/bench${pass === '' ? '' : `?pass=${pass}`}`;

/** What goes to the number has the card of the winter, the last of two passes its share of it. */
const cardOf = (pass: PlannedPass, id: string) =>
  pass.goesToNumber
    ? `/plantings/${id}/card${pass.id === 'detail' ? '?pass=detail' : ''}`
    : `/plantings/${id}/passes/${pass.id}/card`;

function Pass({
  pass,
  progress,
  programme,
  at,
}: {
  pass: PlannedPass;
  progress: WorkProgress | null;
  programme: ProgrammeView;
  at: (day: string) => number;
}) {
  const { t, local, number, told: amount, say } = useReading();
  const day = useDays();
  const { view } = usePlantingWork();
  const { today } = programme;
  const span = spanOf(pass);
  const usable = programme.usable[pass.id];
  const outlook = programme.outlook[pass.id];
  const told = (s: YearSpan) => `${day(s.from)} – ${day(s.to)}`;
  const conditions = pass.on.map((c) => t(`day.${c}`));
  const usual = spanOf(pass.window);
  const placed = (s: YearSpan) => ({
    left: `${at(s.from) * 100}%`,
    width: `${Math.max(0.4, (at(s.to) - at(s.from)) * 100)}%`,
  });
  return (
    <div className={`passes-row passes-${pass.state}`} role="listitem" data-test={`pass-${pass.id}`}>
      <span className="passes-about">
        <strong className="passes-name">{local(pass.name)}</strong>{' '}
        {pass.task?.perTree != null && pass.task.what && (
          <span data-test="per-tree">
            {t('training.per-tree', { number: number(pass.task.perTree), of: local(pass.task.what) })}{' '}
          </span>
        )}
        {pass.hours && (
          <Why steps={pass.hours.steps}>
            {pass.hours.assumed && '≈ '}
            {number(pass.hours.paid, 0)} {t('unit:h')}
          </Why>
        )}{' '}
        <span className={`small passes-state-${pass.state}`} data-test="state">
          {pass.state === 'done' && pass.choice?.done
            ? t('passes.done-on', { day: day(pass.choice.done) })
            : t(`passes.state.${pass.state}`)}
          {pass.again && ` · ${t('passes.again', { day: day(pass.again) })}`}
        </span>
        {progress && pass.state !== 'done' && (
          <span className="small passes-progress" data-test="progress">
            {' '}
            <Why steps={progress.steps}>{t('today.done', { share: amount(progress.value, 'share', 0) })}</Why>
          </span>
        )}
        <br />
        <span className="small">
          {span && told(span)}
          {pass.choice?.from && usual && ` (${t('passes.moved', { window: told(usual) })})`}
          {pass.says && <span className="passes-says"> {say(pass.says)}</span>}
          {pass.everyDays != null && ` · ${t('passes.every', { days: pass.everyDays, times: pass.times ?? 1 })}`}
        </span>
        {pass.choice?.leftOut && (
          <span className="small passes-cuts">{t('passes.left-out-because', { reason: pass.choice.leftOut })}</span>
        )}
        {outlook && <Outlook outlook={outlook} />}
        <span className="small passes-cuts">{local(pass.what)}</span>
        <span className="small dim">
          {t('passes.hands', { hands: pass.hands.map((h) => t(`hands.${h}`)).join(', ') })}
          {conditions.length > 0 && ` · ${t('passes.on', { conditions: conditions.join(', ') })}`}
          {usable && ` · ${t('passes.usable', { ...usable, count: usable.years })}`}
        </span>
        {pass.cuts.length > 0 && (
          <span className="small passes-cuts">{pass.cuts.map((c) => local(c.name)).join(' · ')}</span>
        )}
        {pass.caution && <span className="small passes-caution">▲ {local(pass.caution)}</span>}
        <span className="small passes-links">
          <Link to={cardOf(pass, view.id)}>{t('passes.card')}</Link>
          {pass.task?.about === 'bareLeader' && (
            <Link to={`/plantings/${view.id}/training/leader`}>{t('training.leader-bench')}</Link>
          )}
          {pass.task && <Link to={`/plantings/${view.id}/training`}>{t('training.title')}</Link>}
          {pass.benchPass !== null && <Link to={benchOf(pass.benchPass, view.id)}>{t('passes.bench')}</Link>}
        </span>
        <PassChange
          key={programme.versions[pass.id] ?? 0}
          pass={pass}
          version={programme.versions[pass.id] ?? 0}
          today={today}
        />
      </span>
      <span className="passes-track">
        <span className="passes-today" style={{ left: `${at(today) * 100}%` }} />
        {pass.choice?.from && usual && <span className="passes-usual" style={placed(usual)} />}
        {span && (
          <span className="passes-band" style={placed(span)}>
            {progress && pass.state !== 'done' && (
              <span className="passes-worked" style={{ width: `${progress.value * 100}%` }} />
            )}
          </span>
        )}
        {outlook?.heldUp.map((held) => (
          <span
            key={held.by}
            className="passes-held"
            title={t(`held.${held.by}`)}
            style={placed({ from: held.from, to: held.until ?? held.from })}
          />
        ))}
      </span>
    </div>
  );
}

/** A pass nothing else asks for. */
function AddPass({ programme }: { programme: ProgrammeView }) {
  const { t, local } = useReading();
  const may = useMay();
  const [pass, setPass] = useState('');
  const { plan, failure, problem } = usePassChange(pass, programme.versions[pass] ?? 0);
  const { canAdd } = programme.programme;
  if (!may('plan') || canAdd.length === 0) return null;
  const wrong = failure ?? problem('pass') ?? problem('added');
  return (
    <div className="passes-add">
      <Choice
        label={t('passes.add')}
        value={pass}
        empty={t('passes.add')}
        onChange={setPass}
        options={canAdd.map((p) => ({ value: p.id, label: local(p.name) }))}
      />
      {pass !== '' && (
        <Button onClick={() => void plan({ added: true }).then((ok) => ok && setPass(''))} data-test="add-pass">
          {t('passes.add')}
        </Button>
      )}
      <span className="small dim">{t('passes.add-text')}</span>
      {wrong && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
    </div>
  );
}
