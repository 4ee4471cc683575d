import { lazy, Suspense, useState } from 'react';
import type { TargetDesk } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { Prices } from './Prices';
import { useMayType } from './useMayType';

const MarginChart = lazy(() => import('./MarginChart'));

/**
 * What each choice is worth: margin over fruit per tree, and how the fruit spread over the size classes it is sold in.
 */
export function Worth({ desk }: { desk: TargetDesk | null }) {
  const { t, amount, number, say } = useReading();
  const { plan, change, draft } = usePlantingWork();
  const mayType = useMayType();
  // While it is dragged the mark follows the pointer; the numbers follow as they are worked out.
  const [dragged, setDragged] = useState<{ to: number; from: number } | null>(null);
  const fruit = plan.crop?.fruitPerTree ?? 0;
  const chosen = dragged && dragged.from === fruit ? dragged.to : fruit;
  const choose = (to: number) => {
    setDragged({ to, from: fruit });
    change('target', { ...draft('target'), yield: { text: String(to), unit: 'fruit/tree' } });
  };
  const { margin, classes } = desk ?? {};
  const money = (value: number, unit: string) => {
    const shown = amount(value, `${margin?.currency ?? classes?.currency}/${unit}`, unit === 'ha' ? 0 : 2);
    return (
      <>
        {shown.number} <span className="unit">{shown.unit}</span>
      </>
    );
  };
  return (
    <section className="desk-part" id="worth">
      <h2>{t('worth.heading')}</h2>
      {desk?.pricesAssumed && (
        <p className="assumed" data-test="prices-assumed">
          {t('worth.assumed')}
        </p>
      )}
      <div className="worth">
        <div>
          {margin ? (
            <>
              <p className="worth-say" data-test="margin-meaning">
                {say(margin.meaning)}
              </p>
              <Suspense fallback={<div className="margin-chart" />}>
                <MarginChart curve={margin} chosen={chosen} onChoose={mayType ? choose : null} />
              </Suspense>
              <p className="small dim chart-key">
                <span className="key-steady" /> {t('margin.steady')} <span className="key-year" /> {t('margin.year')}{' '}
                <span className="key-flat" /> {t('margin.flat')} <span className="key-guess" /> {t('margin.guess')}
              </p>
            </>
          ) : (
            <p className="dim">{t(desk?.load.cropDensity != null ? 'worth.no-range' : 'worth.waiting')}</p>
          )}
        </div>
        <div>
          {margin?.chosen && (
            <dl className="chain">
              <div>
                <dt>{t('margin.steady-here')}</dt>
                <dd>
                  <Why main steps={margin.steps}>
                    <span className="big">{money(margin.chosen.steadyPerHa, 'ha')}</span>
                  </Why>
                </dd>
              </div>
              <div>
                <dt>{t('margin.gives-away')}</dt>
                <dd className="value" data-test="gives-away">
                  {money(margin.chosenCosts ?? 0, 'ha')}
                </dd>
              </div>
              <div>
                <dt>{t('margin.this-year')}</dt>
                <dd className="value">{money(margin.chosen.marginPerHa, 'ha')}</dd>
              </div>
              <div>
                <dt>{t('margin.size-here')}</dt>
                <dd className="value">
                  {amount(margin.chosen.fruitMassG, 'g').number}{' '}
                  <span className="unit">{amount(margin.chosen.fruitMassG, 'g').unit}</span>
                </dd>
              </div>
            </dl>
          )}
          {classes && (
            <>
              <h3>{t('classes.heading')}</h3>
              <table className="figures compact">
                <thead>
                  <tr>
                    <th>{t('classes.class')}</th>
                    <th className="number">{t('classes.share')}</th>
                    <th className="number">{t('classes.price')}</th>
                  </tr>
                </thead>
                <tbody>
                  {classes.classes.map((c, i) => (
                    <tr key={i}>
                      <th scope="row">{limit(c.fromG, c.toG)}</th>
                      <td className="number share-cell">
                        <span className="share-bar" style={{ width: `${c.shareOfMass * 100}%` }} />
                        <span>{number(c.shareOfMass * 100, 0)} %</span>
                      </td>
                      <td className="number">{money(c.pricePerKg, 'kg')}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="small">
                {t('classes.mean')} <Why steps={classes.steps}>{money(classes.pricePerKg, 'kg')}</Why>
              </p>
            </>
          )}
        </div>
      </div>
      <Notices notices={margin?.warnings ?? []} />
      {plan.planting && <Prices key={plan.planting.variety.name} variety={plan.planting.variety.name} />}
    </section>
  );

  function limit(from: number | null | undefined, to: number | null | undefined) {
    const grams = (g: number) => amount(g, 'g');
    if (from == null)
      return to == null ? t('classes.all') : t('classes.below', { to: `${grams(to).number} ${grams(to).unit}` });
    return to == null
      ? t('classes.from', { from: `${grams(from).number} ${grams(from).unit}` })
      : `${grams(from).number}–${grams(to).number} ${grams(to).unit}`;
  }
}
