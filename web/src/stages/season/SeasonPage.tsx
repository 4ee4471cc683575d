import { Button } from 'antd';
import { Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import type { SeasonView } from '../../api/client';
import { yearLine } from '../../drawings/yearLine';
import { Choice } from '../../entry/Choice';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import {
  facets,
  freeFacets,
  grouped,
  matches,
  nextToDo,
  sorted,
  sorts,
  totalOf,
  valueOf,
  type Facet,
  type Sort,
} from './find';
import { MonthNames } from '../passes/Months';
import '../passes/passes.css';
import { DueNotes } from '../estate/notes/DueNotes';
import { later } from '../../later';
import { Warnings } from '../weather/Warnings';
import { Density } from './Density';
import { DenseLine } from './DenseLine';
import { pathTo, scalesOf } from './lineWords';
import { ListInView } from './ListInView';
import { Pending } from './Pending';
import { RemovedNote } from './RemovedNote';
import { RoomyLine } from './RoomyLine';
import './season.css';
import { StageTotals } from './StageTotals';
import { useChosen } from './useChosen';
import { useDensity } from './useDensity';
import { useSeason } from './useSeason';

const Heat = later(() => import('../weather/Heat'), 'Heat');
const SeasonStart = later(() => import('./SeasonStart'), 'SeasonStart');
const Many = later(() => import('./Many'), 'Many');

/** Home: every planting in the order of the work, with what to do about it and the number that matters. */
export function SeasonPage() {
  const { t } = useReading();
  const season = useSeason();
  useEffect(() => {
    document.title = 'Rama';
  }, []);
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;
  return <Season season={season.data} />;
}

function Season({ season }: { season: SeasonView }) {
  const { t, language, local, number, amount } = useReading();
  const go = useNavigate();
  const may = useMay();
  const { search } = useLocation();
  const [find, setFind] = useState('');
  const [only, setOnly] = useState<Partial<Record<Facet, string>>>({});
  const [group, setGroup] = useState<Facet | null>(null);
  const [sort, setSort] = useState<Sort>('work');
  const box = useRef<HTMLDivElement>(null);
  const lines = season.plantings;
  const all = useMemo(() => [...facets, ...freeFacets(lines)], [lines]);
  const facetName = (facet: Facet, key: string) => (facet.startsWith('free:') ? facet.slice('free:'.length) : t(key));
  const shown = useMemo(
    () =>
      sorted(
        lines.filter((line) => matches(line, find) && all.every((f) => !only[f] || valueOf(line, f) === only[f])),
        sort,
      ),
    [lines, find, only, sort, all],
  );
  const items = useMemo(() => grouped(shown, group), [shown, group]);
  const next = nextToDo(lines);
  const [density, setDensity] = useDensity();
  const scales = useMemo(() => scalesOf(lines), [lines]);
  const many = useChosen(shown, (line) => void go(pathTo(line, search)));
  const severalSites = lines.some((l) => l.site !== lines[0]!.site);
  const asked = (useLocation().state as { find?: boolean } | null)?.find === true;
  useEffect(() => {
    if (asked) box.current?.querySelector('input')?.focus();
  }, [asked]);

  const nameOf = (facet: Facet, value: string) =>
    facet === 'stage' ? t(`stage.${value}`) : facet === 'system' ? local(season.systems[value]) : value;
  const area = amount(season.areaHa, 'ha', 1);
  const year = useMemo(
    () =>
      yearLine(
        lines.flatMap((l) => l.passes).flatMap(({ from, to }) => (from && to ? [{ from, to }] : [])),
        season.today,
      ),
    [lines, season.today],
  );
  const late = lines.filter((l) => (l.work?.daysLate ?? 0) > 0).length;
  const { hours } = totalOf(lines);
  return (
    <main className={`season season-${density}`}>
      <div className="season-head">
        <div>
          <h1>
            {lines.every((l) => l.isPending)
              ? season.estate
              : t('season.title', { settled: season.readyForCards, count: lines.length })}
          </h1>
          <p className="dim">
            {[
              new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(season.today)),
              `${area.number} ${area.unit}`,
              may('money') &&
                t(season.hasCrews || season.crewHoursTold !== null ? 'season.hours' : 'season.hours-assumed', {
                  hours: number(hours, 0),
                  week: number(season.crewHoursPerWeek, 0),
                }),
            ]
              .filter(Boolean)
              .join(' · ')}
            {season.printable > 0 && ` · ${t('season.printable', { count: season.printable })}`}
            {late > 0 && <strong className="season-late"> · {t('season.late', { count: late })}</strong>}
          </p>
          {season.heat.length > 0 && (
            <p className="dim">
              <Suspense fallback={<span className="small">{'\u00a0'}</span>}>
                <Heat heat={season.heat} />
              </Suspense>
            </p>
          )}
        </div>
        <div className="season-tools">
          {lines.length > 0 && (
            <div ref={box} className="season-find-box">
              <input
                type="search"
                className="season-find"
                placeholder={t('season.find')}
                aria-label={t('season.find')}
                value={find}
                onChange={(e) => {
                  setFind(e.target.value);
                }}
                onKeyDown={(e) => {
                  // What is found is opened: the only hit, or the first of them.
                  if (e.key === 'Enter' && find !== '' && shown[0]) void go(pathTo(shown[0], search));
                }}
                data-test="find"
              />
              <kbd>/</kbd>
            </div>
          )}
          {lines.length > 0 && <Button onClick={() => void go('/known')}>{t('known.open')}</Button>}
          {lines.length > 0 && <Button onClick={() => void go('/year')}>{t('year.open')}</Button>}
          {lines.length > 0 && <Button onClick={() => void go('/weather')}>{t('weather.title')}</Button>}
          {next && (
            <Button type="primary" onClick={() => void go(pathTo(next, search))}>
              {t('season.next')} <kbd className="on-plum">n</kbd>
            </Button>
          )}
          {!season.isPast && lines.some((l) => l.hasCard) && (
            <Button onClick={() => void go('/cards')} data-test="season-cards">
              {t('season.cards')}
            </Button>
          )}
          {may('target') && !season.isPast && lines.length > 0 && (
            <Button onClick={() => void go('/targets')}>{t('rules.open')}</Button>
          )}
          {may('plantings') && !season.isPast && lines.length > 0 && (
            <Button onClick={() => void go('/plantings/new')}>{t('season.add')}</Button>
          )}
        </div>
      </div>
      {season.isPast && (
        <p className="past-season" data-test="past">
          {t('season.past', { season: season.season })} <Link to="/">{t('season.to-current')}</Link>
        </p>
      )}
      <RemovedNote />
      <Pending pending={season.pending} />
      <Warnings warnings={season.warnings} most={3} />
      {!season.isPast && <DueNotes />}
      <Suspense>{lines.length === 0 && <SeasonStart />}</Suspense>
      {lines.length > 1 && (
        <div className="season-filters" role="group" aria-label={t('season.filter')}>
          {all.map((facet) => {
            const values = [...new Set(lines.map((l) => valueOf(l, facet)))].filter(Boolean);
            if (values.length < 2) return null;
            return (
              <Choice
                key={facet}
                label={facetName(facet, `facet.${facet}`)}
                value={only[facet] ?? ''}
                empty={
                  facet.startsWith('free:') ? `${facetName(facet, '')}: ${t('facet.any')}` : t(`facet.${facet}.all`)
                }
                onChange={(v) => {
                  setOnly({ ...only, [facet]: v });
                }}
                options={values.map((v) => ({ value: v, label: nameOf(facet, v) }))}
              />
            );
          })}
          <span className="season-filter-gap" />
          <Choice
            label={t('season.group')}
            value={group ?? ''}
            empty={t('season.ungrouped')}
            onChange={(v) => {
              setGroup(v === '' ? null : (v as Facet));
            }}
            options={all.map((f) => ({ value: f, label: facetName(f, `group.${f}`) }))}
          />
          <Choice
            label={t('season.sort')}
            value={sort}
            onChange={(v) => {
              setSort(v as Sort);
            }}
            options={sorts.map((s) => ({ value: s, label: t(`sort.${s}`) }))}
          />
          <Density value={density} onChange={setDensity} />
        </div>
      )}
      {lines.length > 1 && (
        <StageTotals
          lines={shown}
          stage={only.stage ?? ''}
          onStage={(stage) => {
            setOnly({ ...only, stage });
          }}
        />
      )}
      {lines.length > 0 && shown.length === 0 && <p className="sheet">{t('season.no-match')}</p>}
      {shown.length > 0 && (
        <>
          {density === 'roomy' ? (
            <div className="season-labels small dim" aria-hidden>
              <span>{t('season.planting')}</span>
              <span>{t('season.now')}</span>
              <span>
                {t('season.buds')}
                <span className="season-strip season-months">
                  <MonthNames months={year.months} short />
                </span>
              </span>
              <span className="right">{t('season.work')}</span>
            </div>
          ) : (
            <div className="dense-labels small dim">
              <input
                type="checkbox"
                aria-label={t('season.choose-all')}
                data-test="choose-all"
                checked={many.chosen.length === shown.length}
                onChange={many.all}
              />
              <span>{t('season.planting')}</span>
              <span className="dense-buds-label">{t('season.buds-short')}</span>
              <span className="right">{t('season.work')}</span>
            </div>
          )}
          <ListInView
            key={density}
            items={items}
            lineHigh={density === 'roomy' ? 82 : 26}
            at={many.at}
            nameOf={(name) => (group ? nameOf(group, name) : name)}
            line={(line) =>
              density === 'roomy' ? (
                <RoomyLine
                  line={line}
                  scale={scales[line.habit]!}
                  season={season}
                  at={year.at}
                  search={search}
                  severalSites={severalSites}
                  isAt={many.at === line.id}
                />
              ) : (
                <DenseLine
                  line={line}
                  season={season}
                  search={search}
                  severalSites={severalSites}
                  isChosen={many.isChosen(line.id)}
                  isAt={many.at === line.id}
                  onChoose={(stretch) => {
                    many.toggle(line.id, stretch);
                  }}
                />
              )
            }
          />
          <Suspense>
            {many.chosen.length > 0 && <Many lines={many.chosen} isPast={season.isPast} onClear={many.clear} />}
          </Suspense>
        </>
      )}
    </main>
  );
}
