import { Button, Checkbox } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { SeasonView } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useMay } from '../../../people/session';
import { Trouble } from '../../../Trouble';
import type { Language } from '../../../units/format';
import '../../../words/prescribe';
import { useReading } from '../../../words/useReading';
import { useCrewPlan } from '../../crew/useCrewPlan';
import { useSeason } from '../../season/useSeason';
import { CardPaper, CardUnits, type Paper } from '../CardChoices';
import { CardSheets } from '../CardSheets';
import { usePrintRun } from './usePrintRun';

/** All cards of the estate, a site or a crew, in the order of the work, for one run of the printer. */
export function PrintRunPage() {
  const { t } = useReading();
  const season = useSeason();
  useEffect(() => {
    document.title = `${t('run.title')} · Rama`;
  }, [t]);
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;
  return <PrintRun season={season.data} />;
}

function PrintRun({ season }: { season: SeasonView }) {
  const { t, words: reader, system } = useReading();
  const may = useMay();
  const given = (useLocation().state as { chosen?: string[] } | null)?.chosen;
  const [chosen, setChosen] = useState(given);
  const [site, setSite] = useState('');
  const [crew, setCrew] = useState('');
  const [languages, setLanguages] = useState<Language[]>([reader]);
  const [units, setUnits] = useState(system);
  const [paper, setPaper] = useState<Paper>(system === 'us' ? 'letter' : 'a4');
  const [handOut, setHandOut] = useState(may('settings'));
  const run = usePrintRun(handOut);
  const crews = useCrewsOf(may('report') && season.hasCrews);
  const lines = useMemo(
    () =>
      season.plantings.filter(
        (l) =>
          l.hasCard &&
          (chosen === undefined || chosen.includes(l.id)) &&
          (site === '' || l.site === site) &&
          (crew === '' || crews.plantingsOf(crew).has(l.id)),
      ),
    [season, chosen, site, crew, crews],
  );
  const sites = [...new Set(season.plantings.map((l) => l.site))];
  const codeOf = new Map(season.plantings.map((l) => [l.id, l.code]));
  const narrow = (set: (value: string) => void) => (value: string) => {
    set(value);
    run.clear();
  };
  const pages = run.cards.reduce((sum, { card }) => sum + (card.tape ? 2 : 1), 0);
  const done = run.cards.length > 0 && !run.isRunning;
  return (
    <main className="card-page">
      <section className="run-head no-print">
        <div>
          <h1>{done ? t('run.done', { count: run.cards.length }) : t('run.for', { count: lines.length })}</h1>
          <p className="dim">
            {done ? t('run.pages', { count: pages }) : t('run.order')}{' '}
            {chosen !== undefined && (
              <Button
                type="link"
                onClick={() => {
                  setChosen(undefined);
                  run.clear();
                }}
              >
                {t('run.all')}
              </Button>
            )}
          </p>
        </div>
        <div className="card-tools">
          <Link to="/">← {t('place.season')}</Link>
          <Link to="/cards/wall">{t('wall.title')}</Link>
          {sites.length > 1 && (
            <Choice
              label={t('facet.site')}
              value={site}
              empty={t('facet.site.all')}
              onChange={narrow(setSite)}
              options={sites.map((value) => ({ value, label: value }))}
            />
          )}
          {crews.names.length > 0 && (
            <Choice
              label={t('run.crew')}
              value={crew}
              empty={t('run.crews')}
              onChange={narrow(setCrew)}
              options={crews.names}
            />
          )}
          <Checkbox.Group<Language>
            value={languages}
            onChange={(next) => {
              if (next.length > 0) setLanguages(next);
              run.clear();
            }}
            options={[
              { value: 'en', label: 'English' },
              { value: 'es', label: 'Español' },
            ]}
          />
          <CardUnits
            value={units}
            onChange={(next) => {
              setUnits(next);
              run.clear();
            }}
          />
          <CardPaper value={paper} onChange={setPaper} />
          {may('settings') && (
            <Checkbox
              checked={handOut}
              onChange={(e) => {
                setHandOut(e.target.checked);
                run.clear();
              }}
              data-test="run-hand-out"
            >
              {t('run.hand-out')}
            </Checkbox>
          )}
          {!done && !run.isRunning && (
            <Button
              type="primary"
              disabled={lines.length === 0}
              onClick={() => void run.run({ plantings: lines.map((l) => l.id), languages, units })}
              data-test="run-start"
            >
              {t(handOut ? 'run.start-hand-out' : 'run.start')}
            </Button>
          )}
          {run.isRunning && (
            <Button onClick={run.stop} data-test="run-stop">
              {t('run.stop')}
            </Button>
          )}
          {done && (
            <Button
              type="primary"
              onClick={() => {
                window.print();
              }}
              data-test="run-print"
            >
              {t('card.print')}
            </Button>
          )}
        </div>
        {run.isRunning && (
          <p className="season-pending" role="status">
            <progress value={run.step?.done ?? 0} max={lines.length} aria-label={t('run.progress')} />
            {run.step?.ahead
              ? t('run.ahead', { count: run.step.ahead })
              : t('run.written', { done: run.step?.done ?? 0, count: lines.length })}
          </p>
        )}
        {run.failure && (
          <p className="field-problem" role="alert">
            {run.failure}
          </p>
        )}
        {done && handOut && <p className="dim">{t('run.kept')}</p>}
        {run.without.length > 0 && (
          <p className="field-problem">
            {t('run.without', { codes: run.without.map((id) => codeOf.get(id)).join(', ') })}
          </p>
        )}
        {lines.length === 0 && <p className="sheet">{t('run.none')}</p>}
      </section>
      <div className="card-run" data-test="run" aria-busy={run.isRunning}>
        {run.cards.map(({ planting, card }) => (
          <CardSheets key={`${planting}-${card.language}`} card={card} planting={planting} paper={paper} />
        ))}
      </div>
    </main>
  );
}

/** Crews, and the plantings their plan gives them. */
function useCrewsOf(asked: boolean) {
  const plan = useCrewPlan(asked);
  return useMemo(
    () => ({
      names: (plan.data?.crews ?? []).map((c) => ({ value: c.id, label: c.crew.name ?? '' })),
      plantingsOf: (crew: string) =>
        new Set(
          (plan.data?.tasks ?? [])
            .filter((task) => task.isWinter && task.placed?.crew === crew)
            .map((task) => task.planting),
        ),
    }),
    [plan.data],
  );
}
