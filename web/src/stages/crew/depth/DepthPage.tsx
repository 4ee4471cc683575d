import { Button, Select } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { RequestError, type CutDepth, type DepthLine, type DepthView } from '../../../api/client';
import { Field } from '../../../entry/Field';
import { problemText } from '../../../entry/problemText';
import { Why } from '../../../entry/Why';
import { Trouble } from '../../../Trouble';
import { parseNumber } from '../../../units/parse';
import '../../../words/crew';
import { useReading } from '../../../words/useReading';
import { CrewTabs } from '../CrewTabs';
import '../crewPlan.css';
import { useCrewPlan, useDepths, useImprove, useMoney, useTakeDepths } from '../useCrewPlan';
import { Wide } from '../../../look/Wide';
import './depth.css';

const SECONDS = 10;

const NO_RANGE = { min: null, max: null, unit: null };

/** How deep each planting is pruned when the hours do not reach, and what that gives up. */
export function DepthPage() {
  const reading = useReading();
  const { t, language, number } = reading;
  const [text, setText] = useState('');
  const [hours, setHours] = useState<number | null>(null);
  const depths = useDepths(hours);
  useEffect(() => {
    document.title = `${t('depth.title')} · Rama`;
  }, [t]);
  const typed = parseNumber(text, language);
  const refused = depths.error instanceof RequestError ? depths.error.problem.problems?.[0] : undefined;
  const wrong = Number.isNaN(typed) ? { field: 'hours', code: 'text', message: '', ...NO_RANGE } : refused;
  const ask = () => {
    if (!Number.isNaN(typed)) setHours(typed);
  };
  return (
    <main className="page crew-plan">
      <CrewTabs />
      {depths.error && !refused ? (
        <Trouble error={depths.error} retry={() => void depths.refetch()} />
      ) : (
        <>
          {depths.data ? <Sum of={depths.data} /> : <h1>{t('depth.title')}</h1>}
          <div className="depth-hours">
            <Field
              label={t('depth.hours')}
              path="depth.hours"
              text={text}
              onText={setText}
              units={['h']}
              problem={wrong && problemText(wrong, reading)}
              placeholder={depths.data ? number(depths.data.hoursReached, 0) : undefined}
              onEnter={ask}
            />
            <Button onClick={ask}>{t('depth.work-out')}</Button>
          </div>
          {depths.data ? <Trade of={depths.data} /> : !refused && <p className="waiting">{t('depth.working')}</p>}
        </>
      )}
    </main>
  );
}

/** The number that matters first: what is given up. */
function Sum({ of }: { of: DepthView }) {
  const { t, number } = useReading();
  const money = useMoney(of);
  const given = givenUp(of);
  const hours = t('depth.of-hours', { hours: number(of.hours, 0), full: number(of.hoursFull, 0) });
  return (
    <header className="crew-plan-head">
      <h1 data-test="depth-sum">
        {given.length === 0 ? t('depth.reach') : t('depth.sum', { count: given.length, money: money(of.marginLost) })}
      </h1>
      <p className="dim">
        <Why steps={of.steps}>{hours}</Why> · {t('depth.in-time', { hours: number(of.hoursReached, 0) })}
      </p>
    </header>
  );
}

const givenUp = (of: DepthView) => of.plantings.filter((p) => p.chosen !== 'full');

function Trade({ of }: { of: DepthView }) {
  const { t, number } = useReading();
  const money = useMoney(of);
  const plan = useCrewPlan();
  const improve = useImprove();
  const { take, failure, busy, problemLike } = useTakeDepths();
  // What is proposed, until somebody knows better.
  const [chosen, setChosen] = useState<Record<string, CutDepth>>({});
  const [isAll, setAll] = useState(false);
  const depthOf = (line: DepthLine) => chosen[line.planting] ?? line.chosen;
  const shown = of.plantings.filter((p) => isAll || p.chosen !== 'full' || depthOf(p) !== 'full');
  const taken = of.plantings.filter((p) => depthOf(p) !== 'full');
  const apply = async () => {
    const done = await take({
      reason: t('depth.reason'),
      plantings: taken.map((p) => ({ planting: p.planting, version: p.version, depth: depthOf(p) })),
    });
    if (!done) return;
    const again = await plan.refetch();
    await improve.start(SECONDS, again.data?.version ?? 0);
  };
  const wrong = failure ?? problemLike(/./) ?? improve.failure ?? improve.problemLike(/./);
  return (
    <>
      {shown.length > 0 && (
        <Wide>
          <table className="depth-table">
            <thead>
              <tr>
                <th scope="col">{t('depth.planting')}</th>
                <th scope="col">{t('depth.how-deep')}</th>
                <th scope="col" className="right">
                  {t('depth.hours-saved')}
                </th>
                <th scope="col" className="right">
                  {t('depth.margin-lost')}
                </th>
                <th scope="col" className="right">
                  {t('depth.per-hour')}
                </th>
              </tr>
            </thead>
            <tbody>
              {shown.map((p) => (
                <Line
                  key={p.planting}
                  of={of}
                  line={p}
                  depth={depthOf(p)}
                  onDepth={(depth) => {
                    setChosen({ ...chosen, [p.planting]: depth });
                  }}
                />
              ))}
            </tbody>
          </table>
        </Wide>
      )}
      <p className="depth-acts">
        {taken.length > 0 && (
          <Button
            type="primary"
            disabled={busy || improve.isRunning}
            onClick={() => void apply()}
            data-test="depth-take"
          >
            {t('depth.take', { count: taken.length })}
          </Button>
        )}
        {of.plantings.length > shown.length && (
          <Button
            onClick={() => {
              setAll(true);
            }}
          >
            {t('depth.all', { count: of.plantings.length })}
          </Button>
        )}
        {taken.length > 0 && <span className="dim">{t('depth.then')}</span>}
      </p>
      <p className="dim small">
        {t('depth.wage', { wage: `${number(of.wagePerHour, 2)} ${of.currency ?? t('choice.money')}/h` })}{' '}
        {t('depth.note')}
      </p>
      {improve.isRunning && (
        <p>
          <progress value={improve.step?.share ?? 0} max={1} aria-label={t('crew-plan.improve')} /> {t('depth.again')}
        </p>
      )}
      {improve.step?.isSaved && (
        <p role="status" data-test="depth-done">
          {t('depth.done', { count: improve.step.late ?? 0, money: money(improve.step.cost ?? 0) })}{' '}
          <Link to="/crew">{t('crew-plan.title')}</Link>
        </p>
      )}
      {wrong && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
      {of.held.length > 0 && (
        <section className="depth-held">
          <h2>{t('depth.held')}</h2>
          <ul>
            {of.held.map((h) => (
              <li key={h.planting}>
                <Link to={`/plantings/${h.planting}/decide`}>
                  {h.code} {h.name}
                </Link>
                : {t(`decision.${h.held}`)} – {h.reason}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

const depths = ['full', 'structure', 'hazard'] as const;

function Line({
  of,
  line,
  depth,
  onDepth,
}: {
  of: DepthView;
  line: DepthLine;
  depth: CutDepth;
  onDepth: (depth: CutDepth) => void;
}) {
  const { t, number } = useReading();
  const money = useMoney(of);
  const found = line.depths.find((d) => d.at.depth === depth);
  const at = found?.at;
  const isFull = depth === 'full';
  return (
    <tr data-test={`depth-${line.code}`}>
      <th scope="row">
        <Link to={`/plantings/${line.planting}/decide`}>
          <strong>{line.code}</strong> {line.name}
        </Link>
      </th>
      <td>
        <Select
          aria-label={t('depth.how-deep-of', { what: `${line.code} ${line.name}` })}
          value={depth}
          onChange={onDepth}
          options={depths.map((d) => ({ value: d, label: t(`depth.${d}`) }))}
          popupMatchSelectWidth={false}
        />
      </td>
      <td className="right">{!isFull && at && `${number(at.hoursSaved, 0)} h`}</td>
      <td className="right">{!isFull && at && <Why steps={found.steps}>{money(at.marginLost)}</Why>}</td>
      <td className="right">
        {!isFull && at?.lostPerHour != null && (
          <span className={at.lostPerHour > of.wagePerHour ? undefined : 'trial-saves'}>
            {number(at.lostPerHour, 2)} {of.currency ?? t('choice.money')}/h
          </span>
        )}
      </td>
    </tr>
  );
}
