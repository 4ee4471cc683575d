import { Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { CostRow, CostsView, PayView } from '../../../api/client';
import { Why } from '../../../entry/Why';
import { FileLinks } from '../../../exchange/FileLinks';
import { Trouble } from '../../../Trouble';
import '../../../words/crew';
import { languageOf } from '../../../units/format';
import { firstUnit, toldPer } from '../../../units/system';
import { useDays } from '../../../words/useDays';
import { useReading } from '../../../words/useReading';
import { CrewTabs } from '../CrewTabs';
import '../crewPlan.css';
import { useCosts, useMoney, usePay } from '../useCrewPlan';
import { Wide } from '../../../look/Wide';
import './cost.css';

/** What the work of the year costs, planned and so far, and who is paid how much. */
export function CostsPage() {
  const { t } = useReading();
  const costs = useCosts();
  const pay = usePay();
  useEffect(() => {
    document.title = `${t('cost.title')} · Rama`;
  }, [t]);
  return (
    <main className="page crew-plan">
      <CrewTabs />
      {costs.error ? (
        <Trouble error={costs.error} retry={() => void costs.refetch()} />
      ) : costs.data ? (
        <Costs of={costs.data} />
      ) : (
        <p className="waiting">{t('loading')}</p>
      )}
      {pay.data && <Pay of={pay.data} />}
    </main>
  );
}

const ways = { planting: 'byPlanting', pass: 'byPass', crew: 'byCrew' } as const;

function Costs({ of }: { of: CostsView }) {
  const { t, language, number, system } = useReading();
  const money = useMoney(of);
  const [by, setBy] = useState<keyof typeof ways>('planting');
  const { total } = of;
  const more = total.moreThanPlanned;
  const differs = t(more > 0 ? 'cost.more' : 'cost.less', { money: money(Math.abs(more)) });
  return (
    <section>
      <header className="crew-plan-head">
        <h1 data-test="cost-sum">{t('cost.sum', { money: money(total.value) })}</h1>
        <p className="dim">
          <Why steps={total.steps}>{differs}</Why> ·{' '}
          {t('cost.so-far', { money: money(total.soFar), hours: number(total.soFarHours, 0) })}
        </p>
      </header>
      <div className="crew-plan-view">
        <Segmented
          value={by}
          onChange={setBy}
          options={(['planting', 'pass', 'crew'] as const).map((w) => ({ value: w, label: t(`cost.by-${w}`) }))}
        />
        <FileLinks path={`/api/v1/crew-plan/costs/file?by=${by}&language=${languageOf(language)}`} />
      </div>
      <Wide className="cost-table">
        <table>
          <thead>
            <tr>
              <th scope="col">{t(`cost.${by}`)}</th>
              {by !== 'crew' && <th scope="col">{t('cost.planned')}</th>}
              <th scope="col">{t('cost.paid')}</th>
              <th scope="col">{t('cost.left')}</th>
              <th scope="col">{t('cost.expected')}</th>
              {by === 'planting' && (
                <>
                  <th scope="col">{t('cost.per-tree')}</th>
                  <th scope="col">{t(`cost.per-${firstUnit('ha', system)}`)}</th>
                  <th scope="col">{t(`cost.per-${firstUnit('t', system)}`)}</th>
                </>
              )}
            </tr>
          </thead>
          <tbody>
            {inOrder(of[ways[by]], by).map((row, i) => (
              <Row key={i} of={of} row={row} by={by} />
            ))}
          </tbody>
        </table>
      </Wide>
    </section>
  );
}

/** Plantings by their code, H2 before H10; the others as the server orders them. */
function inOrder(rows: CostRow[], by: keyof typeof ways) {
  return by === 'planting'
    ? rows.toSorted((a, b) => (a.name?.en ?? '').localeCompare(b.name?.en ?? '', undefined, { numeric: true }))
    : rows;
}

function Row({ of, row, by }: { of: CostsView; row: CostRow; by: keyof typeof ways }) {
  const { t, local, number, system } = useReading();
  const money = useMoney(of);
  const { cost } = row;
  const name = row.name ? local(row.name) : t('cost.nobody');
  const both = (hours: number, spent: number) => (
    <td>
      {hours > 0 || spent > 0 ? (
        <>
          {money(spent)} <span className="dim">{number(hours, 0)} h</span>
        </>
      ) : (
        '–'
      )}
    </td>
  );
  const per = (value: number | null, digits: number) => (
    <td>{value === null ? '–' : `${number(value, digits)} ${of.currency ?? t('choice.money')}`}</td>
  );
  return (
    <tr>
      <th scope="row">{row.planting ? <Link to={`/plantings/${row.planting}/passes`}>{name}</Link> : name}</th>
      {by !== 'crew' && both(cost.plannedHours, cost.planned)}
      {both(cost.soFarHours, cost.soFar)}
      {both(cost.leftHours, cost.left)}
      <td>
        <Why steps={cost.steps}>{money(cost.value)}</Why>
      </td>
      {by === 'planting' && (
        <>
          {per(cost.perTree, 2)}
          {per(cost.perHa && toldPer(cost.perHa, 'ha', system), 0)}
          {per(cost.perTonne && toldPer(cost.perTonne, 't', system), 0)}
        </>
      )}
    </tr>
  );
}

function Pay({ of }: { of: PayView }) {
  const { t, language, number } = useReading();
  const day = useDays();
  const money = useMoney(of);
  const weeks = [...new Set(of.lines.map((l) => l.line.week))];
  return (
    <section className="pay">
      <h2>{t('pay.title')}</h2>
      {weeks.length === 0 ? (
        <p>{t('pay.none')}</p>
      ) : (
        <>
          <div className="crew-plan-view">
            <span className="dim">{t('pay.about')}</span>
            <FileLinks path={`/api/v1/crew-plan/pay/file?language=${languageOf(language)}`} />
          </div>
          {weeks.map((week) => (
            <Wide className="cost-table" key={week}>
              <table data-test={`pay-${week}`}>
                <caption>{t('pay.week', { day: day(week) })}</caption>
                <thead>
                  <tr>
                    <th scope="col">{t('cost.crew')}</th>
                    <th scope="col">{t('pay.person')}</th>
                    <th scope="col">{t('pay.days')}</th>
                    <th scope="col">{t('pay.hours')}</th>
                    <th scope="col">{t('pay.trees')}</th>
                    <th scope="col">{t('pay.pay')}</th>
                    <th scope="col">{t('pay.per-hour')}</th>
                  </tr>
                </thead>
                <tbody>
                  {of.lines
                    .filter((l) => l.line.week === week)
                    .map(({ crew, person, line }, i) => (
                      <tr key={i}>
                        <th scope="row">{crew ?? t('cost.nobody')}</th>
                        <td>{person ?? t('pay.others', { count: line.people })}</td>
                        <td>{number(line.days, 0)}</td>
                        <td>{number(line.hours, 1)} h</td>
                        <td>{number(line.trees, 0)}</td>
                        <td>
                          <Why steps={line.steps}>{money(line.pay)}</Why>
                        </td>
                        <td>
                          {line.perHour === null
                            ? '–'
                            : `${number(line.perHour, 2)} ${of.currency ?? t('choice.money')}/h`}
                        </td>
                      </tr>
                    ))}
                </tbody>
              </table>
            </Wide>
          ))}
        </>
      )}
    </section>
  );
}
