import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { Button, Input } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import type { CheckGlance, SeasonLine, SeasonView } from '../../api/client';
import { LedgerLine } from '../../drawings/LedgerLine';
import { yearLine } from '../../drawings/yearLine';
import { Choice } from '../../entry/Field';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import { HabitContext } from '../../words/habit';
import { useReading } from '../../words/useReading';
import {
  facets,
  freeFacets,
  grouped,
  matches,
  nextToDo,
  sorted,
  sorts,
  valueOf,
  type Facet,
  type Item,
  type Sort,
} from './find';
import { MonthNames } from '../passes/Months';
import '../passes/passes.css';
import { YearStrip } from '../passes/YearStrip';
import { Heat, Warnings } from '../weather/Warnings';
import { markOf } from '../check/marks';
import { Pending } from './Pending';
import './season.css';
import { SeasonStart } from './SeasonStart';
import { useSeason } from './useSeason';
import { titleOf } from '../../planting/titleOf';

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
  const hours = lines.reduce((sum, l) => sum + (l.work?.hours ?? 0), 0);
  return (
    <main className="season">
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
              <Heat heat={season.heat} />
            </p>
          )}
        </div>
        <div className="season-tools">
          {lines.length > 0 && (
            <div ref={box}>
              <Input
                placeholder={t('season.find')}
                aria-label={t('season.find')}
                value={find}
                onChange={(e) => {
                  setFind(e.target.value);
                }}
                onPressEnter={() => {
                  // What is found is opened: the only hit, or the first of them.
                  if (find !== '' && shown[0]) void go(pathTo(shown[0], search));
                }}
                data-test="find"
                suffix={<kbd>/</kbd>}
                allowClear
              />
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
      <Pending pending={season.pending} />
      <Warnings warnings={season.warnings} most={3} />
      {lines.length === 0 && <SeasonStart />}
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
        </div>
      )}
      {lines.length > 0 && shown.length === 0 && <p className="sheet">{t('season.no-match')}</p>}
      {shown.length > 0 && (
        <>
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
          <List
            items={items}
            all={lines}
            season={season}
            at={year.at}
            nameOf={(name) => (group ? nameOf(group, name) : name)}
          />
        </>
      )}
    </main>
  );
}

/** The lines of the list that are in view, and a few around them: a thousand plantings scroll like ten. */
function List({
  items,
  all,
  season,
  at,
  nameOf,
}: {
  items: Item[];
  all: SeasonLine[];
  season: SeasonView;
  at: (day: string) => number;
  nameOf: (group: string) => string;
}) {
  const { t, number, told } = useReading();
  const { search } = useLocation();
  const list = useRef<HTMLOListElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => {
    setTop(list.current?.offsetTop ?? 0);
  }, []);
  const about = (lines: SeasonLine[]) => {
    const sum = (of: (line: SeasonLine) => number) => lines.reduce((s, l) => s + of(l), 0);
    return [
      t('season.group-count', { count: lines.length }),
      told(
        sum((l) => l.areaHa ?? 0),
        'ha',
        1,
      ),
      `${number(
        sum((l) => l.work?.hours ?? 0),
        0,
      )} ${t('unit:h')}`,
    ].join(' · ');
  };
  const severalSites = all.some((l) => l.site !== all[0]!.site);
  // Flower buds of a cherry by the thousand would leave nothing to see of an apple's: each habit has its own scale.
  const scaleOf = (habit: string) =>
    Math.max(
      1,
      ...all
        .filter((l) => l.habit === habit)
        .map((l) => Math.max(l.ledger?.standing?.high ?? l.ledger?.standing?.mean ?? 0, l.ledger?.bandHigh ?? 0)),
    );
  const scales = Object.fromEntries([...new Set(all.map((l) => l.habit))].map((habit) => [habit, scaleOf(habit)]));
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: (i) => (items[i]!.kind === 'group' ? 46 : 82),
    overscan: 6,
    scrollMargin: top,
    getItemKey: (i) => {
      const item = items[i]!;
      return item.kind === 'group' ? `g:${item.name}` : item.line.id;
    },
  });
  return (
    <ol className="season-list" ref={list} style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map((row) => {
        const item = items[row.index]!;
        return (
          <li
            key={row.key}
            data-index={row.index}
            ref={virtual.measureElement}
            style={{ transform: `translateY(${row.start - top}px)` }}
            aria-setsize={items.length}
            aria-posinset={row.index + 1}
          >
            {item.kind === 'line' ? (
              <HabitContext.Provider value={item.line.habit}>
                <Line
                  line={item.line}
                  scale={scales[item.line.habit]!}
                  season={season}
                  at={at}
                  search={search}
                  severalSites={severalSites}
                />
              </HabitContext.Provider>
            ) : (
              <h2 className="season-group">
                {nameOf(item.name) || '–'} <span className="small dim">{about(item.lines)}</span>
              </h2>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function Line({
  line,
  scale,
  season,
  at,
  search,
  severalSites,
}: {
  line: SeasonLine;
  scale: number;
  season: SeasonView;
  at: (day: string) => number;
  search: string;
  severalSites: boolean;
}) {
  const { t, local, told, say } = useReading();
  const may = useMay();
  const about = [
    `${line.variety} / ${line.rootstock}`,
    local(season.systems[line.system]),
    line.leaf === null ? null : t('leaf', { count: line.leaf, ordinal: true }),
    line.areaHa === null ? null : told(line.areaHa, 'ha', 1),
    severalSites && line.site,
  ];
  const unknown = line.isPending && line.ledger === null;
  const todo = line.isInTraining ? 'season.todo-training' : `season.todo-${line.stage}`;
  return (
    <Link to={pathTo(line, search)} className="season-line" data-test={`planting-${line.code}`}>
      <span>
        <span className="season-name">{titleOf(line)}</span>
        <span className="small dim season-about">{about.filter(Boolean).join(' · ')}</span>
      </span>
      <span>
        {line.isPending && <span className="small dim">{t('season.pending-line')}</span>}
        {!unknown && <span className={`season-verdict verdict-${line.decision ?? 'none'}`}>{verdict(line, t)}</span>}
        <span className="small season-reason">
          {line.stage === 'decide' && <strong>{t('season.todo-decide')} </strong>}
          {line.reason ? say(line.reason) : line.stage !== 'decide' && !unknown && t(todo)}
        </span>
        {line.check && <Checked check={line.check} />}
        {line.work?.reason && <span className="small season-late">{say(line.work.reason)}</span>}
      </span>
      <span className="season-drawing">
        {line.ledger ? (
          <LedgerLine ledger={line.ledger} scale={scale} />
        ) : (
          !unknown && <span className="small dim">{t(line.isInTraining ? 'season.no-crop' : 'season.no-target')}</span>
        )}
        {line.passes.length > 0 && (
          <span className="season-strip" aria-hidden>
            <YearStrip passes={line.passes} names={season.passes} today={season.today} at={at} />
          </span>
        )}
      </span>
      {may('money') ? <Work line={line} season={season} /> : <span />}
    </Link>
  );
}

/** What is said of how it is cut: each crew something is said against, else the planting. */
function Checked({ check }: { check: CheckGlance }) {
  const { say } = useReading();
  if (check.against.length > 0)
    return check.against.map(({ name, told }) => (
      <span key={name} className={`small season-check-${told.kind}`} data-test="season-check">
        {markOf(told.kind)} {name}: {say(told.sentence)}
      </span>
    ));
  if (check.kind === 'tooFewCounts') return null;
  return (
    <span className={`small season-check-${check.kind}`} data-test="season-check">
      {markOf(check.kind)} {say(check.sentence)}
    </span>
  );
}

/** Hours of work, and whether they fit before green tip. */
function Work({ line, season }: { line: SeasonLine; season: SeasonView }) {
  const { t, number, told, language } = useReading();
  const { work } = line;
  if (!work) return <span />;
  const late = work.daysLate ?? 0;
  const opens = work.window?.from;
  return (
    <span className="season-time right">
      <span>
        <strong>
          {work.hoursAssumed && '≈ '}
          {number(work.hours, 0)}
        </strong>{' '}
        <span className="unit">{t('unit:h')}</span>
      </span>
      {work.doneShare > 0 && (
        <span className="small">{t('season.done', { share: told(work.doneShare, 'share', 0) })}</span>
      )}
      {late > 0 ? (
        <span className="small season-late">▲ {t('season.days-late', { count: late })}</span>
      ) : opens && opens > season.today ? (
        <span className="small dim">{t('season.from', { day: dayOf(opens, language) })}</span>
      ) : (
        <span className="small dim">
          {work.daysToGreenTip === null
            ? t('season.no-green-tip')
            : work.daysToGreenTip >= 0
              ? t('season.green-tip', { count: work.daysToGreenTip })
              : t('season.after-green-tip')}
        </span>
      )}
    </span>
  );
}

const dayOf = (day: string, language: string) =>
  new Date(`${day}T00:00`).toLocaleDateString(language, { day: 'numeric', month: 'short' });

function pathTo(line: SeasonLine, search: string) {
  return `/plantings/${line.id}/${line.stage}${search}`;
}

function verdict(line: SeasonLine, t: (key: string) => string) {
  if (line.decision === null) return line.isInTraining ? t('season.training') : t(`stage.${line.stage}`);
  return line.weight
    ? `${t(`decision.${line.decision}`)}, ${t(`weight.${line.weight}`)}`
    : t(`decision.${line.decision}`);
}
