import { Link } from 'react-router';
import type { PruningPlan } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import '../../words/prescribe';
import { ByTrunk } from './ByTrunk';
import { Cards } from './Cards';
import { Demonstrated } from './Demonstrated';
import { HowCut } from './HowCut';
import { OnTrees } from './OnTrees';
import './prescribe.css';

type Cut = NonNullable<PruningPlan['prescription']>['cuts'][number];

/** The cuts in their order, with what each is expected to drop, and when to stop. */
export function PrescribeStage() {
  const words = useReading();
  const { t, number, local, say } = words;
  const { plan, view } = usePlantingWork();
  const { prescription, decision, planting } = plan;
  if (!prescription || !decision || !planting)
    return (
      <p className="sheet">
        {t('prescribe.waiting')}{' '}
        <Link to={plan.crop ? '../count' : '../target'}>{t(plan.crop ? 'stage.count' : 'stage.target')}</Link>
      </p>
    );

  return (
    <div className="columns prescribe-columns">
      <section>
        <div className="stage-head">
          <h2>{t('prescribe.heading')}</h2>
          <span className="dim" data-test="stop">
            {stopAt(prescription.classes, words)}
          </span>
        </div>
        <table className="figures">
          <thead>
            <tr>
              <td />
              <th>{t('prescribe.cut')}</th>
              <th className="number">{t('prescribe.per-tree')}</th>
              <th className="number">{t('prescribe.drops')}</th>
              <th className="number">{t('prescribe.seconds')}</th>
            </tr>
          </thead>
          <tbody>
            {prescription.cuts.map((cut) => (
              <tr key={cut.stepId} className={!cut.isMade ? 'cut-idle' : ''}>
                <td>{cut.isMade && <span className="cut-tag">{cut.number}</span>}</td>
                <td>
                  <strong>{local(cut.name)}</strong>
                  <p>
                    {local(cut.lookFor)} {local(cut.how)}
                  </p>
                  {cut.caution && <p className="cut-caution">▲ {local(cut.caution)}</p>}
                </td>
                <td className="number cut-amount">{howMany(cut, words)}</td>
                <td className="number">
                  {cut.isMade ? (
                    <Why steps={stepsOf(prescription.steps, `prescription.${cut.stepId}`)}>{number(cut.drop, 0)}</Why>
                  ) : (
                    '–'
                  )}
                </td>
                <td className="number">{cut.isMade ? number(cut.seconds, 0) : '–'}</td>
              </tr>
            ))}
            <tr className="total">
              <td />
              <td>{t('prescribe.total')}</td>
              <td />
              <td className="number">
                {number(prescription.budsDropped, 0)} <span className="unit">{t('unit:bud')}</span>
              </td>
              <td className="number">
                {number(prescription.cuttingSeconds, 0)} <span className="unit">s</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p>
          <Link className="link-button link-button-quiet" to={`/plantings/${view.id}/bench`} data-test="bench">
            {t('prescribe.bench')}
          </Link>{' '}
          <Link
            className="link-button link-button-quiet"
            to={`/plantings/${view.id}/bench?practice`}
            data-test="practise"
          >
            {t('prescribe.practise')}
          </Link>
        </p>
        {planting.system.note && <p className="sheet">▲ {local(planting.system.note)}</p>}
        <Demonstrated />
        <HowCut />
        <OnTrees />
      </section>
      <aside>
        <div className="sheet">
          <dl className="chain">
            <div>
              <dt>{t('prescribe.left')}</dt>
              <dd>
                <Why main steps={prescription.steps}>
                  <span className="big" data-test="buds-left">
                    {number(prescription.budsLeft, 0)}
                  </span>{' '}
                  <span className="unit">{t('unit:bud/tree')}</span>
                </Why>
              </dd>
            </div>
            <div>
              <dt>{t('target.buds-per-limb')}</dt>
              <dd>
                <Why steps={stepsOf(prescription.steps, 'prescription.buds-per-limb')}>
                  <span className="value">{number(prescription.budsPerLimb, 1)}</span>
                </Why>{' '}
                <span className="unit">{t('unit:bud/limb')}</span>
              </dd>
            </div>
            <div>
              <dt>{t('prescribe.limbs')}</dt>
              <dd>
                <Why steps={stepsOf(prescription.steps, 'prescription.limbs-left')}>
                  <span className="value">{number(prescription.limbsLeft, 0)}</span>
                </Why>{' '}
                <span className="unit">{t('unit:limb/tree')}</span>
              </dd>
            </div>
            <div>
              <dt>{t('prescribe.minutes')}</dt>
              <dd>
                <Why steps={stepsOf(prescription.steps, 'prescription.minutes')}>
                  <span className="value">{number(prescription.minutesPerTree, 1)}</span>
                </Why>{' '}
                <span className="unit">{t('unit:min/tree')}</span>
              </dd>
            </div>
          </dl>
          <Cards />
        </div>
        <ByTrunk />
        <p className="sheet prescribe-reason">
          <strong>
            {t(`decision.${decision.kind}`)}
            {decision.weight && `, ${t(`weight.${decision.weight}`)}`}.
          </strong>{' '}
          {say(decision.reason)}
        </p>
        {plan.shoots && (
          <p className="sheet" data-test="shoots">
            <Why steps={plan.shoots.steps}>{say(plan.shoots.sentence)}</Why>
          </p>
        )}
        <Notices notices={[...decision.warnings, ...prescription.warnings]} />
        <p className="small dim">
          {t('prescribe.pack', { system: local(planting.system.name), version: planting.system.version })}
        </p>
      </aside>
    </div>
  );
}

type Words = ReturnType<typeof useReading>;
type Class = NonNullable<PruningPlan['prescription']>['classes'][number];

/** How many cuts of a step, over the trunk classes, as the card tells them. */
function howMany({ amount: { kind, least, most } }: Cut, { t, number, told }: Words) {
  if (kind === 'ifAbove') return t('amount.ifAbove', { height: told(most, 'm', 1) });
  return t(`amount.${kind}`, { n: least === most ? number(most, 0) : `${number(least, 0)}–${number(most, 0)}` });
}

/** Where the cuts stop, with every trunk class that stops so. */
function stopAt(classes: readonly Class[], { t, number }: Words) {
  const byTrunk = classes.length > 1;
  const name = (c: Class) => t(`class.${c.class.name}`, { defaultValue: c.class.name });
  const numbers = (of: Class[], value: (c: Class) => number) =>
    of.map((c) => number(value(c), 0) + (byTrunk ? ` (${name(c)})` : '')).join(', ');
  return (['number', 'ground', 'cutsMade', 'unsoundOnly'] as const)
    .flatMap((stop) => {
      const those = classes.filter((c) => c.stop === stop);
      if (those.length === 0) return [];
      switch (stop) {
        case 'number':
          return t('prescribe.stop-reduce', { left: numbers(those, (c) => c.stopAt!) });
        case 'ground':
          return t('prescribe.stop-structureOnly', { allowance: numbers(those, (c) => c.atMostDown!) });
        case 'cutsMade':
          return t('prescribe.stop-light');
        case 'unsoundOnly':
          return those.length === classes.length
            ? t('prescribe.stop-noPrune')
            : t('prescribe.stop-noPrune-class', { classes: those.map(name).join(', ') });
      }
    })
    .join(' · ');
}
