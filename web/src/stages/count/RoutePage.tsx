import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { api, answered } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { plantingKey } from '../../planting/plantingKey';
import { Trouble } from '../../Trouble';
import '../../words/count';
import { useReading } from '../../words/useReading';
import './route.css';
import { titleOf } from '../../planting/titleOf';

/** The walk to the trees that are to be counted, to print or to look at, with room to write. */
export function RoutePage() {
  const { id } = useParams();
  const { t, amount, number } = useReading();
  const planting = useQuery({
    queryKey: plantingKey(id!, null),
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id: id! }, query: {} } })),
  });
  const sample = planting.data?.count.sample;
  const plan = useQuery({
    queryKey: ['sample', id, sample],
    queryFn: () =>
      answered(api.POST('/api/v1/plantings/{id}/sample', { params: { path: { id: id! } }, body: sample ?? {} })),
    enabled: planting.data !== undefined,
  });
  useEffect(() => {
    document.title = planting.data ? `${planting.data.planting.code} · ${t('route.title')} · Rama` : 'Rama';
  }, [planting.data, t]);
  const error = planting.error ?? plan.error;
  if (error)
    return (
      <Trouble
        error={error}
        retry={() => {
          void planting.refetch();
          void plan.refetch();
        }}
      />
    );
  if (!planting.data || !plan.data) return <p className="waiting">{t('loading')}</p>;
  const { route, classes, trees, steps, warnings } = plan.data;
  const counted = new Set((planting.data.count.trees ?? []).map((c) => `${c.row}/${c.tree}`));
  const rounds = [...new Set(route.map((s) => s.round))];
  return (
    <main className="route">
      <div className="route-head">
        <div>
          <h1>
            {titleOf(planting.data.planting)}: {t('route.title')}
          </h1>
          <p>
            <Why main steps={steps}>
              <span className="big">{trees}</span> <span className="unit">{t('field.trees')}</span>
            </Why>{' '}
            {classes.map((c) => `${t(`class.${c.name}`, { defaultValue: c.name })} ${c.trees}`).join(' · ')}
          </p>
        </div>
        <span className="route-tools">
          <Link to={`/plantings/${id}/count`}>{t('sheet-page.to-count')}</Link>{' '}
          <Button
            type="primary"
            onClick={() => {
              window.print();
            }}
            data-test="print"
          >
            {t('route.print')}
          </Button>
        </span>
      </div>
      <Notices notices={warnings} />
      <p className="small dim">{t('route.text')}</p>
      {rounds.map((round) => (
        <section key={round} className="route-round">
          <h2>{t('route.round', { round, of: rounds.length })}</h2>
          <table className="figures route-table">
            <thead>
              <tr>
                <th className="number">{t('route.stop')}</th>
                <th className="number">{t('count.row')}</th>
                <th className="number">{t('count.tree')}</th>
                <th className="number">{t('route.in')}</th>
                <th>{t('estimate.class')}</th>
                <th>{t('count.girth')}</th>
                <th>{t('count.limbs-short')}</th>
                <th>{t('count.floral-short')}</th>
              </tr>
            </thead>
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
    </main>
  );
}
