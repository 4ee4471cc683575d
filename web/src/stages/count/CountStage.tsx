import { Segmented } from 'antd';
import { Choice, Field } from '../../entry/Field';
import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { Sheet, type SheetColumn } from '../../entry/Sheet';
import { Part } from '../../planting/Part';
import type { CountDraft } from '../../planting/sections';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import './count.css';

/** Counted trees: a sheet that is filled from the keyboard, and what the trees say so far. */
export function CountStage() {
  const { t, number, amount } = useReading();
  const { draft, change, plan, problem, may } = usePlantingWork();
  const count = draft('count');
  const set = (next: Partial<CountDraft>) => { change('count', { ...count, ...next }); };
  const girthUnit = (
    <Choice label={t('count.girth-unit')} value={count.girthUnit} onChange={(girthUnit) => { set({ girthUnit }); }} options={['cm', 'mm', 'in'].map((u) => ({ value: u, label: u }))} />
  );
  const columns: SheetColumn[] = [
    { key: 'row', label: t('count.row') }, { key: 'tree', label: t('count.tree') }, { key: 'girth', label: t('count.girth'), beside: girthUnit }, { key: 'limbs', label: t('count.limbs-short') },
    count.mode === 'all' ? { key: 'buds', label: t('count.all-short') } : { key: 'buds', label: t('count.floral-short'), field: 'floralBuds' },
  ];
  const survey = plan.survey;
  const girth = survey?.meanGirthCm == null ? null : amount(survey.meanGirthCm, 'cm', 1);
  return (
    <div className="columns count-columns">
      <section>
        <Part section="count">
          <div className="stage-head">
            <h2>{t('count.heading')}</h2>
            <Segmented<CountDraft['mode']> value={count.mode} onChange={(mode) => { set({ mode }); }} disabled={!may('count')}
              options={[{ value: 'floral', label: t('count.floral') }, { value: 'all', label: t('count.all') }]} />
          </div>
          {count.mode === 'all' && (
            <div className="count-share">
              <Field label={t('count.share')} path="count.floralShare" text={count.floralShare} units={['%']} unit="%" problem={problem('count', 'floralShare')}
                onText={(floralShare) => { set({ floralShare }); }} hint={t('count.share-hint')} />
            </div>
          )}
          <Sheet path="count.trees" columns={columns} lines={count.lines} onLines={(lines) => { set({ lines }); }}
            problem={(line, field) => problem('count', `trees[${line}].${field}`)} />
          <p className="small dim">{t('count.keys')}</p>
        </Part>
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
