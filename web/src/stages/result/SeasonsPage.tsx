import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { answered, api, type SeasonReportView } from '../../api/client';
import { FileLinks } from '../../exchange/FileLinks';
import { Trouble } from '../../Trouble';
import { languageOf } from '../../units/format';
import '../../words/result';
import { useReading } from '../../words/useReading';
import { mostFirst, SortHead } from '../season/SortHead';
import '../season/winter.css';
import { Wide } from '../../look/Wide';
import { SeasonKeys } from './SeasonKeys';
import './result.css';

type Line = SeasonReportView['total'];

const ways = ['season', 'planting', 'variety', 'system', 'site'] as const;

/** What a column is sorted by. */
const columns = {
  ofWanted: (l: Line) => l.ofWanted,
  packed: (l: Line) => l.tonnesPacked,
  packOut: (l: Line) => l.packOut,
  perHa: (l: Line) => l.packedPerHa,
  received: (l: Line) => l.receivedPerHa,
} as const;

type Column = keyof typeof columns;

/** What seasons wanted and brought, side by side, to sort, print and take along. */
export function SeasonsPage() {
  const { t, language } = useReading();
  const [by, setBy] = useState<(typeof ways)[number]>('season');
  const [season, setSeason] = useState<number | null>(null);
  const asked = { by, ...(season !== null && { season }) };
  const report = useQuery({
    queryKey: ['seasons', by, season],
    queryFn: () => answered(api.GET('/api/v1/seasons', { params: { query: asked } })),
    placeholderData: keepPreviousData,
  });
  useEffect(() => {
    document.title = `${t('seasons.title')} · Rama`;
  }, [t]);
  if (report.error) return <Trouble error={report.error} retry={() => void report.refetch()} />;
  if (!report.data) return <p className="waiting">{t('loading')}</p>;
  const all = t('seasons.all');
  return (
    <main className="page winter">
      <h1>{t('seasons.title')}</h1>
      <div className="winter-tools no-print">
        <Segmented value={by} onChange={setBy} options={ways.map((w) => ({ value: w, label: t(`seasons.by.${w}`) }))} />
        <FileLinks
          path={`/api/v1/seasons/file?${new URLSearchParams({
            by,
            ...(season !== null && { season: String(season) }),
            language: languageOf(language),
          }).toString()}`}
        />
        <Button
          type="primary"
          onClick={() => {
            window.print();
          }}
        >
          {t('card.print')}
        </Button>
      </div>
      {by !== 'season' && (
        <div className="winter-tools">
          <SeasonKeys
            seasons={[all, ...report.data.seasons.map(String)]}
            season={season === null ? all : String(season)}
            onSeason={(chosen) => {
              setSeason(chosen === all ? null : Number(chosen));
            }}
          />
        </div>
      )}
      <Report of={report.data} />
      <p className="small dim">{t('seasons.text')}</p>
    </main>
  );
}

function Report({ of }: { of: SeasonReportView }) {
  const { t, local } = useReading();
  const [sorted, setSorted] = useState<Column | null>(null);
  if (of.groups.length === 0) return <p className="sheet">{t('results.none')}</p>;
  const value = sorted && columns[sorted];
  const head = (column: Column, label: string) => (
    <SortHead column={column} sorted={sorted} onSort={setSorted} label={label} />
  );
  return (
    <Wide>
      <table className="figures" data-test="seasons">
        <thead>
          <tr>
            <th>{t('winter.name')}</th>
            <th className="number">{t('seasons.told')}</th>
            <th className="number">{t('seasons.buds')}</th>
            <th className="number">{t('seasons.fruit')}</th>
            <th className="number">{t('seasons.mass')}</th>
            {head('ofWanted', t('seasons.of-wanted'))}
            {head('packed', t('seasons.packed'))}
            {head('packOut', t('seasons.pack-out'))}
            {head('perHa', t('seasons.per-ha'))}
            <th className="number">{t('seasons.price')}</th>
            {head('received', t('seasons.received'))}
          </tr>
        </thead>
        <tbody>
          {mostFirst(of.groups, value && ((g) => value(g.line))).map((g) => (
            <tr key={g.name.en}>
              <td>
                {g.planting ? <Link to={`/plantings/${g.planting}/result`}>{local(g.name)}</Link> : local(g.name)}
              </td>
              <Cells line={g.line} currency={of.currency} />
            </tr>
          ))}
          <tr className="total">
            <td>{t('winter.all')}</td>
            <Cells line={of.total} currency={of.currency} />
          </tr>
        </tbody>
      </table>
    </Wide>
  );
}

function Cells({ line, currency }: { line: Line; currency: string | null }) {
  const { t, number, told } = useReading();
  const per = (value: number, unit: string, decimals: number) =>
    told(value, `${currency ?? t('choice.money')}/${unit}`, decimals);
  const some = (value: number | null, say: (value: number) => string) => (value === null ? null : say(value));
  /** What came beside what was wanted; nothing where nobody told what came. */
  const pair = (came: number | null, wanted: number | null) =>
    came === null && wanted === null
      ? null
      : `${some(came, (v) => number(v, 0)) ?? '–'} / ${some(wanted, (v) => number(v, 0)) ?? '–'}`;
  const cells: (string | null)[] = [
    number(line.told),
    pair(line.budsLeft, line.budsWanted),
    pair(line.fruitPicked, line.fruitWanted),
    some(line.fruitMassG, (v) => told(v, 'g', 0)),
    some(line.ofWanted, (v) => told(v, 'share', 0)),
    some(line.tonnesPacked, (v) => told(v, 't', 0)),
    some(line.packOut, (v) => told(v, 'share', 0)),
    some(line.packedPerHa, (v) => told(v, 't/ha', 1)),
    some(line.pricePerKg, (v) => per(v, 'kg', 2)),
    some(line.receivedPerHa, (v) => per(v, 'ha', 0)),
  ];
  return cells.map((cell, i) => (
    <td key={i} className="number">
      {cell ?? '–'}
    </td>
  ));
}
