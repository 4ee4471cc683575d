import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { answered, api, type WinterView } from '../../api/client';
import { Why } from '../../entry/Why';
import { FileLinks } from '../../exchange/FileLinks';
import { Trouble } from '../../Trouble';
import { languageOf } from '../../units/format';
import { firstUnit, toldPer } from '../../units/system';
import '../../words/result';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { useMoney } from '../crew/useCrewPlan';
import { Wide } from '../../look/Wide';
import { mostFirst, SortHead } from './SortHead';
import './winter.css';

type Line = WinterView['total'];

const ways = ['planting', 'variety', 'system', 'site'] as const;

/** What a column is sorted by. */
const columns = {
  trees: (l: Line) => l.trees,
  left: (l: Line) => l.leftOfAsked,
  hours: (l: Line) => l.cost.soFarHours,
  cost: (l: Line) => l.cost.value,
  perHa: (l: Line) => l.cost.perHa,
  tonnes: (l: Line) => l.tonnesToCome,
} as const;

type Column = keyof typeof columns;

/** The winter on one page, to print for the owner. */
export function WinterPage() {
  const { t, language } = useReading();
  const [by, setBy] = useState<(typeof ways)[number]>('planting');
  const winter = useQuery({
    queryKey: ['winter', by],
    queryFn: () => answered(api.GET('/api/v1/winter', { params: { query: { by } } })),
    placeholderData: keepPreviousData,
  });
  const season = winter.data?.season;
  useEffect(() => {
    document.title = `${t('winter.link')} · Rama`;
  }, [t]);
  if (winter.error) return <Trouble error={winter.error} retry={() => void winter.refetch()} />;
  if (!winter.data) return <p className="waiting">{t('loading')}</p>;
  return (
    <main className="page winter">
      <h1>{t('winter.title', { season })}</h1>
      <div className="winter-tools no-print">
        <Segmented value={by} onChange={setBy} options={ways.map((w) => ({ value: w, label: t(`winter.by.${w}`) }))} />
        <FileLinks path={`/api/v1/winter/file?by=${by}&language=${languageOf(language)}`} />
        <Button
          type="primary"
          onClick={() => {
            window.print();
          }}
        >
          {t('card.print')}
        </Button>
      </div>
      <Winter of={winter.data} />
    </main>
  );
}

function Winter({ of }: { of: WinterView }) {
  const { t, told, system } = useReading();
  const day = useDays();
  const money = useMoney(of);
  const [sorted, setSorted] = useState<Column | null>(null);
  const { total } = of;
  if (of.groups.length === 0) return <p className="sheet">{t('winter.none')}</p>;
  const value = sorted && columns[sorted];
  const groups = mostFirst(of.groups, value && ((g) => value(g.line)));
  const head = (column: Column, label: string) => (
    <SortHead column={column} sorted={sorted} onSort={setSorted} label={label} />
  );
  return (
    <>
      <p className="dim">{t('winter.as-of', { estate: of.estate, day: day(of.today) })}</p>
      <p data-test="winter-cost">
        <Why main steps={total.cost.steps}>
          <span className="winter-big">{money(total.cost.value)}</span>
        </Why>{' '}
        {t('winter.cost', { planned: money(total.cost.planned) })}
      </p>
      {total.tonnesToCome !== null && (
        <p>
          <strong>{told(total.tonnesToCome, 't', 0)}</strong>{' '}
          {t('winter.crop', { wanted: total.tonnesWanted === null ? '–' : told(total.tonnesWanted, 't', 0) })}
        </p>
      )}
      {total.leftOfAsked !== null && (
        <p>
          <strong>{told(total.leftOfAsked, 'share', 0)}</strong> {t('winter.left')}
        </p>
      )}
      <Wide>
        <table className="figures" data-test="winter">
          <thead>
            <tr>
              <th>{t('winter.name')}</th>
              {head('trees', t('winter.trees'))}
              <th className="number">{t('winter.wanted')}</th>
              {head('left', t('winter.left-column'))}
              {head('hours', t('winter.hours'))}
              <th className="number">{t('winter.planned')}</th>
              {head('cost', t('winter.expected'))}
              <th className="number">{t('winter.per-tree')}</th>
              {head('perHa', t(`winter.per-${firstUnit('ha', system)}`))}
              <th className="number">{t('winter.tonnes-wanted')}</th>
              {head('tonnes', t('winter.tonnes'))}
            </tr>
          </thead>
          <tbody>
            {groups.map((g) => (
              <tr key={g.name.en}>
                <Name of={g} />
                <Cells line={g.line} money={money} />
              </tr>
            ))}
            <tr className="total">
              <td>{t('winter.all')}</td>
              <Cells line={total} money={money} />
            </tr>
          </tbody>
        </table>
      </Wide>
    </>
  );
}

function Name({ of }: { of: WinterView['groups'][number] }) {
  const { local } = useReading();
  const name = local(of.name);
  return <td>{of.planting ? <Link to={`/plantings/${of.planting}/check`}>{name}</Link> : name}</td>;
}

function Cells({ line, money }: { line: Line; money: (amount: number, decimals?: number) => string }) {
  const { number, told, system } = useReading();
  const cells: (string | null)[] = [
    number(line.trees, 0),
    line.budsWanted === null ? null : number(line.budsWanted, 0),
    line.leftOfAsked === null ? null : told(line.leftOfAsked, 'share', 0),
    told(line.cost.soFarHours, 'h', 0),
    told(line.cost.plannedHours, 'h', 0),
    money(line.cost.value),
    line.cost.perTree === null ? null : money(line.cost.perTree, 2),
    line.cost.perHa === null ? null : money(toldPer(line.cost.perHa, 'ha', system)),
    line.tonnesWanted === null ? null : told(line.tonnesWanted, 't', 0),
    line.tonnesToCome === null ? null : told(line.tonnesToCome, 't', 0),
  ];
  return cells.map((cell, i) => (
    <td key={i} className="number">
      {cell ?? '–'}
    </td>
  ));
}
