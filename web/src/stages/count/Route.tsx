import { Button } from 'antd';
import type { ReactNode } from 'react';
import type { PlantingView, SamplePlan } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';
import './route.css';

/** The way back, and to paper. */
export function RouteTools({ back, isReady }: { back: ReactNode; isReady: boolean }) {
  const { t } = useReading();
  return (
    <span className="route-tools">
      {back}{' '}
      <Button
        type="primary"
        disabled={!isReady}
        onClick={() => {
          window.print();
        }}
        data-test="print"
      >
        {t('route.print')}
      </Button>
    </span>
  );
}

/** How many trees a walk has. */
export function RouteSum({ plan: { classes, trees, steps } }: { plan: SamplePlan }) {
  const { t } = useReading();
  return (
    <p>
      <Why main steps={steps}>
        <span className="big">{trees}</span> <span className="unit">{t('field.trees')}</span>
      </Why>{' '}
      {classes.map((c) => `${t(`class.${c.name}`, { defaultValue: c.name })} ${c.trees}`).join(' · ')}
    </p>
  );
}

/** The stops of a walk, round by round, with room to write; empty lines where it is paced. */
export function Route({ view, plan: { route, paced, trees, warnings } }: { view: PlantingView; plan: SamplePlan }) {
  const { t, amount, number } = useReading();
  const counted = new Set((view.count.trees ?? []).map((c) => `${c.row}/${c.tree}`));
  const rounds = [...new Set(route.map((s) => s.round))];
  return (
    <>
      {route.length > 0 && <p className="small dim">{t('route.text')}</p>}
      <Notices notices={warnings} />
      {paced && <PacedLines trees={trees} />}
      {rounds.map((round) => (
        <section key={round} className="route-round">
          <h2>{t('route.round', { round, of: rounds.length })}</h2>
          <table className="figures route-table">
            <Head placed />
            <tbody>
              {route
                .filter((s) => s.round === round)
                .map((s) => {
                  const metres = amount(s.positionM, 'm', 1);
                  return (
                    <tr key={s.order} className={counted.has(`${s.row}/${s.tree}`) ? 'route-done' : ''}>
                      <td className="number">
                        {counted.has(`${s.row}/${s.tree}`) ? '✓ ' : ''}
                        {number(s.order, 0)}
                      </td>
                      <td className="number">{s.row}</td>
                      <td className="number">{s.tree}</td>
                      <td className="number">
                        {metres.number} {metres.unit}
                      </td>
                      <td>{s.class ? t(`class.${s.class}`, { defaultValue: s.class }) : ''}</td>
                      <td className="route-blank" />
                      <td className="route-blank" />
                      <td className="route-blank" />
                    </tr>
                  );
                })}
            </tbody>
          </table>
        </section>
      ))}
    </>
  );
}

function Head({ placed = false }: { placed?: boolean }) {
  const { t } = useReading();
  return (
    <thead>
      <tr>
        <th className="number">{t('route.stop')}</th>
        <th className="number">{t('count.row')}</th>
        <th className="number">{t('count.tree')}</th>
        {placed && <th className="number">{t('route.in')}</th>}
        {placed && <th>{t('estimate.class')}</th>}
        <th>{t('count.girth')}</th>
        <th>{t('count.limbs-short')}</th>
        <th>{t('count.floral-short')}</th>
      </tr>
    </thead>
  );
}

/** Most lines of a page to write on; who counts more trees takes another. */
const MOST_LINES = 60;

const written = ['row', 'tree', 'girth', 'limbs', 'buds'];

function PacedLines({ trees }: { trees: number }) {
  const { number } = useReading();
  return (
    <section className="route-round">
      <table className="figures route-table" data-test="paced">
        <Head />
        <tbody>
          {Array.from({ length: Math.min(trees, MOST_LINES) }, (_, i) => (
            <tr key={i}>
              <td className="number">{number(i + 1, 0)}</td>
              {written.map((column) => (
                <td key={column} className="route-blank" />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
