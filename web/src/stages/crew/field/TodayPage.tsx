import { useEffect } from 'react';
import { Link } from 'react-router';
import { answered, api, type TodayTurn } from '../../../api/client';
import { todayOf } from '../../../field/today';
import { takeAlong, useField } from '../../../field/useField';
import { useMay } from '../../../people/session';
import '../../../words/crew';
import { useDays } from '../../../words/useDays';
import { useReading } from '../../../words/useReading';
import { ToldVerdictLine } from '../../check/ToldVerdictLine';
import { CrewKeys } from './CrewKeys';
import { useCrewOfDevice } from './crewOfDevice';
import { daysOf, keyOf, type KeptToday } from './days';
import { keepToday, useToday } from './useToday';
import './work.css';

const WAIT_MS = 15_000;

/** The work of a crew these days on one page, kept for the row: without signal it is there, too. */
export function TodayPage() {
  const { t, language, words, system: units } = useReading();
  const { estate, state } = useField();
  const reports = useMay()('report');
  useEffect(() => {
    document.title = `${t('today.title')} · Rama`;
  }, [t]);
  useEffect(() => {
    if (estate === '' || !reports) return;
    let left = false;
    async function take() {
      try {
        const view = await answered(api.GET('/api/v1/crew-plan/today', { signal: AbortSignal.timeout(WAIT_MS) }));
        await keepToday(estate, view);
        // What is worked in these days goes along with its card and its rows.
        for (const id of new Set(view.turns.map((w) => w.planting)))
          if (!left) await takeAlong(estate, id, { language: words, units });
      } catch {
        // No signal: what was taken along before is there.
      }
    }
    void take();
    return () => {
      left = true;
    };
    // Told anew once all is sent: the plan then knows what was done.
  }, [estate, state, reports, words, units]);
  const told = useToday(estate);
  if (told === undefined) return null;
  return (
    <main className="field-main today-page">
      <h1>{t('today.title')}</h1>
      {told ? <Days key={language} told={told} /> : <p>{t('today.none')}</p>}
    </main>
  );
}

function Days({ told }: { told: KeptToday }) {
  const { t } = useReading();
  const day = useDays();
  const [crew, setCrew] = useCrewOfDevice(told.view.crews);
  const today = todayOf(told.view.today, told.at, new Date());
  const { now, before, next } = daysOf(told.view, crew, today);
  return (
    <>
      <CrewKeys
        crews={told.view.crews}
        crew={crew}
        onCrew={({ id }) => {
          setCrew(id);
        }}
      />
      <h2 data-test="today-day">{t('today.now', { day: day(today) })}</h2>
      {now.length === 0 && <p>{t('today.nothing')}</p>}
      <Turns of={now} />
      {before.length > 0 && (
        <>
          <h2>{t('today.before')}</h2>
          <Turns of={before} />
        </>
      )}
      {next.length > 0 && (
        <>
          <h2>{t('today.next')}</h2>
          <Turns of={next} />
        </>
      )}
      <p className="small dim">{t('today.as-of', { day: day(told.view.today) })}</p>
    </>
  );
}

function Turns({ of }: { of: TodayTurn[] }) {
  const { t, local, number, told } = useReading();
  const day = useDays();
  const late = (w: TodayTurn) => t('today.late', { count: w.daysLate, day: w.due ? day(w.due) : '' });
  return (
    <ul className="field-list">
      {of.map((w) => (
        <li key={keyOf(w)}>
          <Link
            to={`/field/${w.planting}/work?pass=${w.pass}`}
            className="field-planting today-turn"
            data-test={`today-${w.code}-${w.pass}`}
          >
            <strong>{w.code}</strong>
            <span>
              {w.name}
              <br />
              <span className="today-pass">{local(w.passName)}</span>
            </span>
            <span className="today-when">
              {w.first === w.last ? day(w.first) : `${day(w.first)} – ${day(w.last)}`}
              <br />
              <span className="small">
                {t('today.people', { count: w.people })} · {number(w.hours, 0)} h
                {w.done > 0 && ` · ${t('today.done', { share: told(w.done, 'share', 0) })}`}
              </span>
              {w.daysLate > 0 && w.due && (
                <>
                  <br />
                  <span className="small today-late">▲ {late(w)}</span>
                </>
              )}
            </span>
          </Link>
          {w.check && w.check.kind !== 'tooFewCounts' && (
            <p className="today-check" data-test={`today-check-${w.code}`}>
              <ToldVerdictLine told={w.check} />
            </p>
          )}
          {w.hazards.map((h) => (
            <p key={h.what} className="work-caution today-hazard">
              ▲ {h.what} <span className="small">({day(h.day)})</span>
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}
