import { Link } from 'react-router';
import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { Part } from '../../planting/Part';
import '../../words/prescribe';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { Choice } from '../../entry/Choice';
import { ByClass } from './ByClass';
import { useCatalogue } from '../estate/useCatalogue';
import './decide.css';

/** What to do with the planting this winter, why, and how sure the count makes it. */
export function DecideStage() {
  const { t, number, say } = useReading();
  const { plan } = usePlantingWork();
  const form = useFormFields('settings');
  const catalogue = useCatalogue();
  const { change } = usePlantingWork();
  const decision = plan.decision;
  if (!decision)
    return (
      <p className="sheet">
        {t('decide.waiting')}{' '}
        <Link to={plan.crop ? '../count' : '../target'}>{t(plan.crop ? 'stage.count' : 'stage.target')}</Link>
      </p>
    );
  const half = plan.survey?.buds.halfWidth ?? null;
  const sign = decision.surplus > 0 ? '+' : '';
  return (
    <div className="columns">
      <section>
        <p className={`decision verdict-${decision.kind}`} data-test="decision">
          {t(`decision.${decision.kind}`)}
          {decision.held === decision.kind && <span className="decision-weight"> · {t('decide.by-hand')}</span>}
          {decision.weight && <span className="decision-weight">, {t(`weight.${decision.weight}`)}</span>}
        </p>
        <p className="decision-reason">{say(decision.reason)}</p>
        <dl className="chain">
          <div>
            <dt>{t('decide.surplus')}</dt>
            <dd>
              <Why main steps={decision.steps}>
                <span className="value">
                  {sign}
                  {number(decision.surplus, 0)}
                  {half !== null && ` ± ${number(half, 0)}`}
                </span>{' '}
                <span className="unit">{t('unit:bud/tree')}</span>
              </Why>
            </dd>
          </div>
          <div>
            <dt>{t('decide.band')}</dt>
            <dd>
              <Why steps={stepsOf(decision.steps, 'decision.tolerance')}>
                <span className="value">
                  {number(decision.bandLow, 0)} – {number(decision.bandHigh, 0)}
                </span>
              </Why>{' '}
              <span className="unit">{t('unit:bud/tree')}</span>
            </dd>
          </div>
          <div>
            <dt>{t(decision.kind === 'structureOnly' ? 'decide.allowance' : 'decide.remove')}</dt>
            <dd>
              <Why steps={stepsOf(decision.steps, 'decision.remove')}>
                <span className="value">{number(decision.removeBuds, 0)}</span>
              </Why>{' '}
              <span className="unit">
                {t('unit:bud/tree')} · {number(decision.removeShare * 100, 0)} %
              </span>
            </dd>
          </div>
          {decision.clustersToThinning >= 0.5 && (
            <div>
              <dt>{t('decide.thinning')}</dt>
              <dd>
                <Why steps={stepsOf(decision.steps, 'decision.thinning')}>
                  <span className="value">{number(decision.clustersToThinning, 0)}</span>
                </Why>{' '}
                <span className="unit">{t('unit:cluster/tree')}</span>
              </dd>
            </div>
          )}
          {decision.fruitShort !== null && decision.fruitAtBest !== null && (
            <div>
              <dt>{t('decide.short')}</dt>
              <dd>
                <Why steps={stepsOf(decision.steps, 'decision.fruit-at-best')}>
                  <span className="value">{number(decision.fruitShort, 0)}</span>
                </Why>{' '}
                <span className="unit">
                  {t('unit:fruit/tree')} · {t('decide.at-best', { fruit: number(decision.fruitAtBest, 0) })}
                </span>
              </dd>
            </div>
          )}
          {plan.stakes && (
            <>
              <div>
                <dt>{t('decide.stakes-fewer')}</dt>
                <dd>
                  <Why steps={stepsOf(plan.stakes.steps, 'stakes.fewer')}>
                    <span className="value">{number(plan.stakes.ifFewer, 0)}</span>
                  </Why>{' '}
                  <span className="unit">{t('decide.stakes-unit')}</span>
                </dd>
              </div>
              <div>
                <dt>{t('decide.stakes-more')}</dt>
                <dd>
                  <Why steps={stepsOf(plan.stakes.steps, 'stakes.more')}>
                    <span className="value">{number(plan.stakes.ifMore, 0)}</span>
                  </Why>{' '}
                  <span className="unit">{t('decide.stakes-unit')}</span>
                </dd>
              </div>
            </>
          )}
        </dl>
        <p className="small dim">{t('decide.exact')}</p>
        <Notices notices={decision.warnings} />
        <ByClass />
        {decision.settled && <p className="decision-settled">✓ {t('decide.settled')}</p>}
      </section>
      <aside className="sheet">
        <h2 className="decide-rules">{t('decide.rules')}</h2>
        <Part section="settings">
          {form.input('tolerance', ['%'], {
            hint: t('decide.tolerance-hint'),
            placeholder: catalogue.data && number(catalogue.data.tolerance * 100),
          })}
          <div className="decide-gap" />
          {form.input('cap', ['%'], {
            hint: t('decide.cap-hint'),
            placeholder: plan.planting ? number(plan.planting.system.caps.shareOfBuds * 100) : undefined,
          })}
          <div className="decide-gap" />
          <div className="field" data-field="settings.held">
            <span className="field-label" aria-hidden>
              {t('decide.held')}
            </span>
            <Choice
              label={t('decide.held')}
              value={form.fields.held?.text ?? ''}
              empty={t('decide.count-decides')}
              onChange={(held) => {
                change('settings', { ...form.fields, held: { text: held } });
              }}
              options={(['noPrune', 'structureOnly', 'reduce'] as const).map((k) => ({
                value: k,
                label: t(`decision.${k}`),
              }))}
            />
          </div>
          {(form.fields.held?.text ?? '') !== '' &&
            form.input('heldReason', [], {
              label: t('decide.held-reason'),
              numeric: false,
              hint: t('decide.held-hint'),
            })}
        </Part>
      </aside>
    </div>
  );
}
