import { Segmented } from 'antd';
import { Choice, Field } from '../../entry/Field';
import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { SaveBar } from '../../planting/SaveBar';
import type { CountDraft } from '../../planting/sections';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import './count.css';
import { CountTable } from './CountTable';

/** Counted trees: a sheet that is filled from the keyboard, and what the trees say so far. */
export function CountStage() {
  const { t, number, amount } = useReading();
  const { draft, change, plan, problem } = usePlantingWork();
  const count = draft('count');
  const set = (next: Partial<CountDraft>) => { change('count', { ...count, ...next }); };
  const survey = plan.survey;
  const girth = survey?.meanGirthCm == null ? null : amount(survey.meanGirthCm, 'cm', 1);
  return (
    <div className="columns count-columns">
      <section>
        <div className="stage-head">
          <h2>{t('count.heading')}</h2>
          <Segmented<CountDraft['mode']> value={count.mode} onChange={(mode) => { set({ mode }); }}
            options={[{ value: 'floral', label: t('count.floral') }, { value: 'all', label: t('count.all') }]} />
        </div>
        {count.mode === 'all' && (
          <div className="count-share">
            <Field label={t('count.share')} path="count.floralShare" text={count.floralShare} units={['%']} unit="%" problem={problem('count', 'floralShare')}
              onText={(floralShare) => { set({ floralShare }); }} hint={t('count.share-hint')} />
          </div>
        )}
        <CountTable draft={count} onRows={(rows) => { set({ rows }); }} problem={(field) => problem('count', field)}
          girthUnit={<Choice label={t('count.girth-unit')} value={count.girthUnit} onChange={(girthUnit) => { set({ girthUnit }); }}
            options={['cm', 'mm', 'in'].map((u) => ({ value: u, label: u }))} />} />
        <p className="small dim">{t('count.keys')}</p>
        <SaveBar section="count" />
      </section>
      <aside className="sheet">
        {survey ? (
          <dl className="chain">
            <div>
              <dt>{t('count.mean')}</dt>
              <dd>
                <Why main steps={survey.steps}>
                  <span className="big" data-test="mean">{number(survey.buds.mean, 0)}</span>
                  {survey.buds.halfWidth !== null && <span className="value"> ± {number(survey.buds.halfWidth, 0)}</span>} <span className="unit">{t('unit:bud/tree')}</span>
                </Why>
              </dd>
            </div>
            {survey.buds.low !== null && survey.buds.high !== null && (
              <div><dt>{t('count.interval')}</dt><dd><Why steps={stepsOf(survey.steps, 'survey.standard-error', 'survey.interval')}>{number(Math.max(0, survey.buds.low), 0)} – {number(survey.buds.high, 0)}</Why> <span className="unit">{t('unit:bud/tree')}</span></dd></div>
            )}
            <div><dt>{t('count.trees')}</dt><dd>{survey.buds.count}{survey.treesForTenPercent !== null && <span className="unit"> · <Why steps={stepsOf(survey.steps, 'survey.needed')}>{t('count.needed', { trees: survey.treesForTenPercent })}</Why></span>}</dd></div>
            {survey.cv !== null && <div><dt>{t('count.cv')}</dt><dd><Why steps={stepsOf(survey.steps, 'survey.sd', 'survey.cv')}>{number(survey.cv * 100, 1)}</Why> <span className="unit">%</span></dd></div>}
            {survey.meanLimbs !== null && <div><dt>{t('count.limbs')}</dt><dd><Why steps={stepsOf(survey.steps, 'survey.limbs')}>{number(survey.meanLimbs, 1)}</Why> <span className="unit">{t('unit:limb/tree')}</span></dd></div>}
            {girth && <div><dt>{t('count.girth-mean')}</dt><dd><Why steps={stepsOf(survey.steps, 'survey.girth', 'survey.tcsa')}>{girth.number}</Why> <span className="unit">{girth.unit}</span></dd></div>}
          </dl>
        ) : <p className="dim">{t('count.waiting')}</p>}
        <Notices notices={survey?.warnings ?? []} />
      </aside>
    </div>
  );
}
