import { Button, Input } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { SeasonLine } from '../../api/client';
import { LedgerLine } from '../../drawings/LedgerLine';
import { useKeys } from '../../keys/useKeys';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { matches, nextToDo } from './find';
import './season.css';
import { useSeason } from './useSeason';

/** Home: every planting in the order of the work, with what to do about it and the number that matters. */
export function SeasonPage() {
  const { t, language, number, amount } = useReading();
  const season = useSeason();
  const go = useNavigate();
  const [find, setFind] = useState('');
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => { document.title = 'Rama'; }, []);

  const lines = season.data?.plantings ?? [];
  const shown = lines.filter((line) => matches(line, find));
  const next = nextToDo(lines);
  useKeys({
    '/': () => box.current?.querySelector('input')?.focus(),
    n: () => { if (next) void go(pathTo(next)); },
  });
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;

  const scale = Math.max(1, ...lines.map((l) => Math.max(l.ledger?.standing?.high ?? l.ledger?.standing?.mean ?? 0, l.ledger?.bandHigh ?? 0)));
  const area = amount(season.data.areaHa, 'ha', 1);
  return (
    <main className="season">
      <div className="season-head">
        <div>
          <h1>{t('season.title', { settled: season.data.readyForCards, count: lines.length })}</h1>
          <p className="dim">
            {new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(season.data.today))} · {area.number} {area.unit} · {t('season.order')}
          </p>
        </div>
        <div className="season-tools">
          <div ref={box}><Input placeholder={t('season.find')} aria-label={t('season.find')} value={find} onChange={(e) => { setFind(e.target.value); }} suffix={<kbd>/</kbd>} allowClear /></div>
          {next && <Button type="primary" onClick={() => void go(pathTo(next))}>{t('season.next')} <kbd className="on-plum">n</kbd></Button>}
          <Button onClick={() => void go('/plantings/new')}>{t('season.add')}</Button>
        </div>
      </div>
      {lines.length === 0 && <p className="sheet">{t('season.empty')}</p>}
      {lines.length > 0 && shown.length === 0 && <p className="sheet">{t('season.no-match', { find })}</p>}
      {shown.length > 0 && (
        <div className="season-labels small dim" aria-hidden>
          <span>{t('season.planting')}</span><span>{t('season.now')}</span><span>{t('season.buds')}</span><span className="right">{t('season.time')}</span>
        </div>
      )}
      <ol className="season-list">
        {shown.map((line) => <Line key={line.id} line={line} scale={scale} number={number} />)}
      </ol>
    </main>
  );
}

function Line({ line, scale, number }: { line: SeasonLine; scale: number; number: (value: number, decimals?: number) => string }) {
  const { t, local, amount, say } = useReading();
  const area = line.areaHa === null ? null : amount(line.areaHa, 'ha', 1);
  const about = [`${line.variety} / ${line.rootstock}`, local(line.system), line.leaf === null ? null : t('leaf', { leaf: line.leaf }), area && `${area.number} ${area.unit}`];
  return (
    <li>
      <Link to={pathTo(line)} className="season-line" data-test={`planting-${line.code}`}>
        <span>
          <span className="season-name">{line.code} {line.name}</span>
          <span className="small dim">{about.filter(Boolean).join(' · ')}</span>
        </span>
        <span>
          <span className={`season-verdict verdict-${line.decision ?? 'none'}`}>{verdict(line, t)}</span>
          <span className="small season-reason">{line.reason ? say(line.reason) : t(`season.todo-${line.stage}`)}</span>
        </span>
        <span className="season-drawing">{line.ledger ? <LedgerLine ledger={line.ledger} scale={scale} /> : <span className="small dim">{t('season.no-target')}</span>}</span>
        <span className="season-time right">
          {line.minutesPerTree === null ? '–' : <><strong>{number(line.minutesPerTree, 1)}</strong> <span className="unit">{t('unit:min/tree')}</span></>}
          {line.bearingTrees !== null && <span className="small dim">{number(line.bearingTrees, 0)} {t('unit:tree')}</span>}
        </span>
      </Link>
    </li>
  );
}

function pathTo(line: SeasonLine) {
  return `/plantings/${line.id}/${line.stage}`;
}

function verdict(line: SeasonLine, t: (key: string) => string) {
  if (line.decision === null) return t(`stage.${line.stage}`);
  return line.weight ? `${t(`decision.${line.decision}`)}, ${t(`weight.${line.weight}`)}` : t(`decision.${line.decision}`);
}
