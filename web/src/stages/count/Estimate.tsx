import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

const mark = { tooFew: '…', goOn: '→', settled: '■', notWorthMore: '■', notSettled: '◇' };

/** What the counted trees say, and whether to go on counting. */
export function Estimate() {
  const { t, number, amount, say } = useReading();
  const { plan } = usePlantingWork();
  const { survey, stop } = plan;
  if (!survey)
    return (
      <div className="sheet">
        <p className="dim">{t('count.waiting')}</p>
      </div>
    );
  const girth = survey.means.girthCm == null ? null : amount(survey.means.girthCm, 'cm', 1);
  const limbs = survey.limbSpread;
  return (
    <div className="sheet">
      {stop && (
        <p className={`count-stop count-${stop.verdict}`} data-test="stop">
          <span aria-hidden>{mark[stop.verdict]}</span> <strong>{say(stop.reason)}</strong>
          <span className="small dim">{t('stop.counted', { counted: stop.counted, planned: stop.planned })}</span>
        </p>
      )}
      <dl className="chain">
        <div>
          <dt>{t('count.mean')}</dt>
          <dd>
            <Why main steps={survey.steps}>
              <span className="big" data-test="mean">
                {number(survey.buds.mean, 0)}
              </span>
              {survey.buds.halfWidth !== null && <span className="value"> ± {number(survey.buds.halfWidth, 0)}</span>}{' '}
              <span className="unit">{t('unit:bud/tree')}</span>
            </Why>
          </dd>
        </div>
        {survey.buds.low !== null && survey.buds.high !== null && (
          <div>
            <dt>{t('count.interval')}</dt>
            <dd>
              <Why steps={stepsOf(survey.steps, 'survey.standard-error', 'survey.interval')}>
                {number(Math.max(0, survey.buds.low), 0)} – {number(survey.buds.high, 0)}
              </Why>{' '}
              <span className="unit">{t('unit:bud/tree')}</span>
            </dd>
          </div>
        )}
        <div>
          <dt>{t('count.trees')}</dt>
          <dd>
            {survey.buds.count}
            {survey.treesForTenPercent !== null && (
              <span className="unit">
                {' '}
                ·{' '}
                <Why steps={stepsOf(survey.steps, 'survey.needed')}>
                  {t('count.needed', { trees: survey.treesForTenPercent })}
                </Why>
              </span>
            )}
          </dd>
        </div>
        {survey.cv !== null && (
          <div>
            <dt>{t('count.cv')}</dt>
            <dd>
              <Why steps={stepsOf(survey.steps, 'survey.sd', 'survey.cv')}>{number(survey.cv * 100, 1)}</Why>{' '}
              <span className="unit">%</span>
            </dd>
          </div>
        )}
        {survey.means.limbs !== null && (
          <div>
            <dt>{t('count.limbs')}</dt>
            <dd>
              <Why steps={stepsOf(survey.steps, 'survey.limbs')}>{number(survey.means.limbs, 1)}</Why>{' '}
              <span className="unit">{t('unit:limb/tree')}</span>
            </dd>
          </div>
        )}
        {girth && (
          <div>
            <dt>{t('count.girth-mean')}</dt>
            <dd>
              <Why steps={stepsOf(survey.steps, 'survey.girth', 'survey.tcsa')}>{girth.number}</Why>{' '}
              <span className="unit">{girth.unit}</span>
            </dd>
          </div>
        )}
      </dl>

      {survey.methods.length > 1 && (
        <table className="figures count-table" data-test="methods">
          <thead>
            <tr>
              <th>{t('estimate.method')}</th>
              <th className="number">{t('estimate.mean')}</th>
              <th className="number">± 95 %</th>
            </tr>
          </thead>
          <tbody>
            {survey.methods.map((m) => (
              <tr key={m.method} className={m.method === survey.method ? 'count-used' : ''}>
                <th scope="row">
                  {t(`estimate.${m.method}`)}
                  {m.method === survey.method && ` · ${t('estimate.used')}`}
                </th>
                <td className="number">{number(m.mean, 0)}</td>
                <td className="number">{number(m.half, 0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {survey.classes.length > 0 && (
        <table className="figures count-table">
          <thead>
            <tr>
              <th>{t('estimate.class')}</th>
              <th className="number">{t('estimate.share')}</th>
              <th className="number">{t('estimate.counted')}</th>
              <th className="number">{t('unit:bud/tree')}</th>
            </tr>
          </thead>
          <tbody>
            {survey.classes.map((c) => (
              <tr key={c.name}>
                <th scope="row">{t(`class.${c.name}`, { defaultValue: c.name })}</th>
                <td className="number">{number(c.share * 100, 0)} %</td>
                <td className="number">{c.trees}</td>
                <td className="number">
                  {c.mean === null ? '–' : number(c.mean, 0)}
                  {c.low !== null && c.high !== null && (
                    <span className="unit"> ± {number((c.high - c.low) / 2, 0)}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {survey.shares.length > 0 && (
        <table className="figures count-table" data-test="shares">
          <thead>
            <tr>
              <th>{t('cut.kind')}</th>
              <th className="number">{t('cut.share')}</th>
              <th className="number">95 %</th>
              <th className="number">{t('cut.more')}</th>
            </tr>
          </thead>
          <tbody>
            {survey.shares
              .filter((s) => s.kind !== 'any' || survey.shares.length === 1)
              .map((s) => (
                <tr key={s.kind}>
                  <th scope="row">{t(`kind.${s.kind}`, { defaultValue: s.kind })}</th>
                  <td className="number">
                    <Why steps={s.steps}>{number(s.share * 100, 0)} %</Why>{' '}
                    <span className="unit">
                      {s.floral}/{s.cut}
                    </span>
                  </td>
                  <td className="number">
                    {number(s.low * 100, 0)}–{number(s.high * 100, 0)} %
                  </td>
                  <td className="number">{s.moreToCut === 0 ? '✓' : s.moreToCut}</td>
                </tr>
              ))}
          </tbody>
        </table>
      )}
      {limbs && (
        <p className="small count-limbs">
          {t('limbs.spread', {
            limbs: limbs.limbs,
            trees: limbs.trees,
            mean: amount(limbs.meanMm, 'mm', 1).number,
            unit: amount(limbs.meanMm, 'mm', 1).unit,
            thickest: amount(limbs.thickestMm, 'mm', 0).number,
            forked: number(limbs.forkedShare * 100, 0),
          })}
          {limbs.budsPerLcsa !== null && ` ${t('limbs.per-area', { buds: number(limbs.budsPerLcsa, 1) })}`}
        </p>
      )}
      <Notices
        notices={[
          ...survey.warnings,
          ...survey.shares.filter((s) => s.kind !== 'any' || survey.shares.length === 1).flatMap((s) => s.warnings),
        ].filter((n, i, all) => all.findIndex((o) => o.code === n.code) === i)}
      />
      {survey.calibration?.usable && <p className="small">{say(survey.calibration.verdict)}</p>}
      {survey.outliers.length > 0 && (
        <ul className="count-outliers small" data-test="outliers">
          {survey.outliers.map((o, i) => (
            <li key={i}>
              <strong>{t('outlier.place', { row: o.row, tree: o.tree })}</strong> {say(o.reason)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
