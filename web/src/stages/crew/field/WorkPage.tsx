import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { WorkReportEntry } from '../../../api/client';
import { Figure } from '../../../field/Figure';
import { PhotoKey } from '../../../field/PhotoKey';
import { PlantingBar } from '../../../field/PlantingBar';
import type { KeptKit } from '../../../field/queue';
import { ToldHere } from '../../../field/ToldHere';
import { todayOf } from '../../../field/today';
import { useField, useMade } from '../../../field/useField';
import { useSecondTap } from '../../../field/useSecondTap';
import { WithKit } from '../../../field/WithKit';
import { parseNumber } from '../../../units/parse';
import '../../../words/crew';
import { useReading } from '../../../words/useReading';
import { CrewKeys } from './CrewKeys';
import { useCrewOfDevice } from './crewOfDevice';
import { useToday } from './useToday';
import { hoursBetween, ownReports, rowsDone } from './work';
import './work.css';

/** Work of the day in the row: rows done by one thumb, hours, people, brush, hazards; without signal too. */
export function WorkPage() {
  return <WithKit page={(kept) => <Working key={kept.id} kept={kept} />} />;
}

const brushes = ['inRow', 'carriedOut', 'lies'] as const;

/** When work began here, kept over a restart of the phone. */
const startKey = (planting: string) => `rama.work.${planting}`;

function Working({ kept }: { kept: KeptKit }) {
  const { t, number, language } = useReading();
  const { put, estate } = useField();
  const named = useToday(estate)?.view.people ?? [];
  const made = useMade(kept.id);
  const { passes = [], work, rows, season } = kept.kit as Partial<KeptKit['kit']>;
  // A kit taken along anew may have other passes.
  const [picked, setPicked] = useState(useSearchParams()[0].get('pass') ?? '');
  const pass = passes.find((p) => p.id === picked) ?? passes[0];
  const chosen = pass?.id ?? '';
  const crews = work?.crews ?? [];
  const [crew, setCrew] = useCrewOfDevice(crews);
  const [people, setPeople] = useState(() => String(crews.find((c) => c.id === crew)?.people ?? ''));
  const [workers, setWorkers] = useState<string[]>([]);
  const [ticked, setTicked] = useState<number[]>([]);
  const [trees, setTrees] = useState('');
  const [hours, setHours] = useState('');
  const [began, setBegan] = useState(() => localStorage.getItem(startKey(kept.id)));
  const [brush, setBrush] = useState<WorkReportEntry['brush']>(null);
  const [hazard, setHazard] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const isSecondTap = useSecondTap();
  const ofCrew = named.filter((p) => p.crew === crew);
  const done = rowsDone(kept, made, chosen);
  const mine = ownReports(kept, made, chosen);
  const all = [...new Set((rows ?? []).map((r) => r.row))].sort((a, b) => a - b);
  const left = all.filter((r) => !done.has(r) && !ticked.includes(r)).length;
  const time = new Intl.DateTimeFormat(language, { hour: '2-digit', minute: '2-digit' });

  const start = () => {
    const now = new Date().toISOString();
    localStorage.setItem(startKey(kept.id), now);
    setBegan(now);
  };
  const stop = () => {
    setHours(number(hoursBetween(new Date(began!), new Date()), 2));
    localStorage.removeItem(startKey(kept.id));
    setBegan(null);
  };
  const send = async () => {
    const told = {
      people: parseNumber(people, language),
      hours: parseNumber(hours, language),
      trees: parseNumber(trees, language),
    };
    if (Object.values(told).some((n) => Number.isNaN(n)) || !told.people) {
      setProblem(`${t('work.people')}, ${t('work.hours')}: ${t('work.number')}`);
      return;
    }
    const most = work?.mostHours ?? Infinity;
    if (told.hours !== null && told.hours > most) {
      setProblem(t('work.hours-over', { most }));
      return;
    }
    if (ticked.length === 0 && !told.trees && told.hours === null) {
      setProblem(t('work.nothing'));
      return;
    }
    setProblem(null);
    await put({
      planting: kept.id,
      season: season!,
      row: ticked[0] ?? null,
      tree: null,
      supersedes: null,
      kind: 'work',
      body: {
        pass: chosen,
        day: todayOf(kept.kit.today, kept.at, new Date()),
        crew: crew || null,
        workers: ofCrew.filter((p) => workers.includes(p.id)).map((p) => p.id),
        people: told.people,
        hours: told.hours,
        rows: ticked,
        trees: told.trees,
        brush: brush ?? null,
        hazard: hazard.trim() || null,
        note: note.trim() || null,
      },
    });
    navigator.vibrate?.(30);
    setTicked([]);
    setTrees('');
    setHours('');
    setHazard('');
    setNote('');
  };
  const takeBack = (id: string) => put({ planting: kept.id, season: season!, row: null, tree: null, supersedes: id });

  return (
    <>
      <PlantingBar kit={kept.kit} at="work" />
      <main className="field-main tally work-page">
        {passes.length === 0 ? (
          <p>{t('work.none')}</p>
        ) : (
          <>
            <div className="work-passes" role="group" aria-label={t('work.pass')}>
              {passes.map((p) => (
                <button
                  key={p.id}
                  type="button"
                  className={p.id === chosen ? 'key-small key-on' : 'key-small'}
                  aria-pressed={p.id === chosen}
                  onClick={() => {
                    setPicked(p.id);
                    setTicked([]);
                  }}
                  data-test={`work-pass-${p.id}`}
                >
                  {p.card.pass}
                </button>
              ))}
            </div>
            <p className="work-share">
              {all.length > 0 && <strong data-test="work-left">{t('work.rows-left', { count: left })}</strong>}{' '}
              <span className="dim">
                {t('work.share', { share: `${number((work?.shares[chosen] ?? 0) * 100, 0)} %` })}
              </span>{' '}
              <Link to={`/field/${kept.id}/pass`}>{t('work.card')}</Link>
            </p>
            {(pass?.card.safety ?? []).map((line) => (
              <p key={line} className="work-caution">
                ▲ {line}
              </p>
            ))}
            {all.length > 0 && (
              <fieldset className="work-group">
                <legend>{t('work.tap-rows')}</legend>
                <div className="work-rows">
                  {all.map((row) => {
                    const isDone = done.has(row);
                    const on = ticked.includes(row);
                    return (
                      <button
                        key={row}
                        type="button"
                        disabled={isDone}
                        aria-pressed={on || isDone}
                        aria-label={t(isDone ? 'work.row-done' : 'work.row', { row })}
                        className={isDone ? 'work-row work-row-done' : on ? 'work-row work-row-on' : 'work-row'}
                        onClick={() => {
                          setTicked(on ? ticked.filter((r) => r !== row) : [...ticked, row].sort((a, b) => a - b));
                        }}
                        data-test={`work-row-${row}`}
                      >
                        {isDone ? `✓${row}` : row}
                      </button>
                    );
                  })}
                </div>
              </fieldset>
            )}
            <Figure
              label={t(all.length > 0 ? 'work.trees-beside' : 'work.trees')}
              value={trees}
              onChange={setTrees}
              test="work-trees"
            />
            <div className="work-pair">
              <Figure label={t('work.people')} value={people} onChange={setPeople} test="work-people" />
              <Figure label={t('work.hours')} value={hours} onChange={setHours} test="work-hours" />
              <button
                type="button"
                className="key-small"
                onClick={began ? stop : start}
                data-test={began ? 'work-stop' : 'work-start'}
              >
                {began ? t('work.stop') : t('work.start')}
              </button>
            </div>
            {began && <p className="small dim">{t('work.started', { time: time.format(new Date(began)) })}</p>}
            {crews.length > 0 && (
              <fieldset className="work-group">
                <legend>{t('work.crew')}</legend>
                <CrewKeys
                  crews={crews}
                  crew={crew}
                  onCrew={(c) => {
                    setCrew(c.id);
                    setPeople(String(c.people));
                  }}
                />
              </fieldset>
            )}
            {ofCrew.length > 0 && (
              <fieldset className="work-group">
                <legend>{t('work.who')}</legend>
                {ofCrew.map((p) => {
                  const on = workers.includes(p.id);
                  return (
                    <button
                      key={p.id}
                      type="button"
                      className={on ? 'key-small key-on' : 'key-small'}
                      aria-pressed={on}
                      onClick={() => {
                        setWorkers(on ? workers.filter((w) => w !== p.id) : [...workers, p.id]);
                      }}
                      data-test={`work-who-${p.name}`}
                    >
                      {p.name}
                    </button>
                  );
                })}
              </fieldset>
            )}
            <fieldset className="work-group">
              <legend>{t('work.brush')}</legend>
              {brushes.map((b) => (
                <button
                  key={b}
                  type="button"
                  className={b === brush ? 'key-small key-on' : 'key-small'}
                  aria-pressed={b === brush}
                  onClick={() => {
                    setBrush(b === brush ? null : b);
                  }}
                >
                  {t(`work.brush-${b}`)}
                </button>
              ))}
            </fieldset>
            <label className="work-text">
              {t('work.hazard')}
              <input
                value={hazard}
                maxLength={300}
                onChange={(e) => {
                  setHazard(e.target.value);
                }}
              />
            </label>
            <label className="work-text">
              {t('work.note')}
              <input
                value={note}
                maxLength={300}
                onChange={(e) => {
                  setNote(e.target.value);
                }}
              />
            </label>
            {problem && (
              <p className="field-problem" role="alert">
                {problem}
              </p>
            )}
            <div className="rework-end">
              <PhotoKey planting={kept.id} row={ticked[0] ?? null} tree={null} />
              <button
                type="button"
                className="key-done"
                onClick={(e) => {
                  // A second tap of a cold thumb is not a second report.
                  if (!isSecondTap(e)) void send();
                }}
                data-test="work-send"
              >
                {t('work.send')}
              </button>
            </div>
            <ToldHere
              test="work"
              told={mine.map(({ id, report }) => ({
                id,
                text: t('work.kept', {
                  what: [
                    report.rows?.length ? t('work.rows-told', { rows: report.rows.join(', ') }) : '',
                    report.trees ? t('work.trees-told', { count: report.trees }) : '',
                    report.hours ? `${report.people} × ${number(report.hours, 2)} h` : '',
                  ]
                    .filter(Boolean)
                    .join(' · '),
                }),
              }))}
              onTakeBack={(id) => void takeBack(id)}
            />
          </>
        )}
      </main>
    </>
  );
}
