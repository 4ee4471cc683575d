import { Segmented } from 'antd';
import { Link } from 'react-router';
import { Choice } from '../../entry/Choice';
import { Field } from '../../entry/Field';
import { fieldControls } from '../../entry/fieldControls';
import { Sheet, type SheetColumn } from '../../entry/Sheet';
import { Part } from '../../planting/Part';
import { usePlantingWork } from '../../planting/usePlanting';
import '../../words/count';
import { useReading } from '../../words/useReading';
import './count.css';
import { isByKind, type CountDraft } from './draft';
import { Estimate } from './Estimate';
import { FieldNews } from './FieldNews';

const methods = ['simple', 'byTrunkClass', 'ratioOnTrunk', 'regressionOnTrunk', 'regressionOnScan'] as const;

/** Counted trees and buds cut: sheets that are filled from the keyboard or from the row, and what they say so far. */
export function CountStage() {
  const { t } = useReading();
  const { draft, change, problem, may, view, save } = usePlantingWork();
  const count = draft('count');
  const set = (next: Partial<CountDraft>) => {
    change('count', { ...count, ...next });
  };
  const girthUnit = (
    <Choice
      label={t('count.girth-unit')}
      value={count.girthUnit}
      onChange={(girthUnit) => {
        set({ girthUnit });
      }}
      options={['cm', 'mm', 'in'].map((u) => ({ value: u, label: u }))}
    />
  );
  const columns: SheetColumn[] = [
    { key: 'row', label: t('count.row') },
    { key: 'tree', label: t('count.tree') },
    { key: 'girth', label: t('count.girth'), beside: girthUnit },
    { key: 'limbs', label: t('count.limbs-short') },
    count.mode === 'all'
      ? { key: 'buds', label: t('count.all-short') }
      : { key: 'buds', label: t('count.floral-short'), field: 'floralBuds' },
  ];
  const cutColumns: SheetColumn[] = [
    { key: 'row', label: t('count.row') },
    { key: 'tree', label: t('count.tree') },
    { key: 'kind', label: t('cut.kind'), text: true, wide: 1.4 },
    { key: 'floral', label: t('cut.floral') },
    { key: 'vegetative', label: t('cut.vegetative') },
    { key: 'dead', label: t('cut.dead') },
  ];
  const byKind = isByKind(count);
  const form = fieldControls(
    'count.sample',
    count.sample,
    (sample) => {
      set({ sample });
    },
    (path) => problem('count', `sample.${path}`),
    t,
    () => void save('count'),
  );
  return (
    <>
      <nav className="count-places" aria-label={t('count.places')}>
        <Link to={`/plantings/${view.id}/route`} data-test="route">
          {t('count.to-route')}
        </Link>
        <Link to={`/field/${view.id}`} data-test="to-field">
          {t('count.to-field')}
        </Link>
        <Link to={`/plantings/${view.id}/trees`} data-test="to-trees">
          {t('count.to-trees')}
        </Link>
      </nav>
      <div className="columns count-columns">
        <section>
          <Part section="count">
            <div className="stage-head">
              <h2>{t('count.heading')}</h2>
              <Segmented<CountDraft['mode']>
                value={count.mode}
                onChange={(mode) => {
                  set({ mode });
                }}
                disabled={!may('count')}
                options={[
                  { value: 'floral', label: t('count.floral') },
                  { value: 'all', label: t('count.all') },
                ]}
              />
            </div>
            {(count.mode === 'all' || byKind) && (
              <div className="count-share">
                <Field
                  label={t('count.share')}
                  path="count.floralShare"
                  text={count.floralShare}
                  units={['%']}
                  unit="%"
                  problem={problem('count', 'floralShare')}
                  onText={(floralShare) => {
                    set({ floralShare });
                  }}
                  hint={t('count.share-hint')}
                />
              </div>
            )}
            <Sheet
              path="count.trees"
              columns={columns}
              lines={count.lines}
              onLines={(lines) => {
                set({ lines });
              }}
              problem={(line, field) => problem('count', `trees[${line}].${field}`)}
            />
            <p className="small dim">
              {t('count.keys')}
              {byKind && ` ${t('count.by-kind')}`}
            </p>

            <h2 className="count-cuts">{t('cut.title')}</h2>
            <p className="small dim">{t('cut.text')}</p>
            <Sheet
              path="count.budCuts"
              columns={cutColumns}
              lines={count.cuts}
              onLines={(cuts) => {
                set({ cuts });
              }}
              problem={(line, field) => problem('count', `budCuts[${line}].${field}`)}
            />

            <details className="count-plan">
              <summary>{t('sample.title')}</summary>
              <div className="fields">
                {form.input('trees', [], { label: t('sample.trees'), placeholder: t('sample.worked-out') })}
                {form.input('seed', [], { label: t('sample.seed'), placeholder: '1' })}
                {form.input('minutesPerTree', ['min'], { label: t('sample.minutes'), placeholder: '4' })}
                {form.input('wagePerHour', [], { label: t('sample.wage'), placeholder: '20' })}
                <div className="field">
                  <span className="field-label" aria-hidden>
                    {t('estimate.method')}
                  </span>
                  <Choice
                    label={t('estimate.method')}
                    value={count.method}
                    onChange={(method) => {
                      set({ method });
                    }}
                    empty={t('estimate.best')}
                    options={methods.map((m) => ({ value: m, label: t(`estimate.${m}`) }))}
                  />
                </div>
              </div>
              {(['edgeRows', 'replants', 'pollinizers'] as const).map((what) => (
                <label key={what} className="count-check">
                  <input
                    type="checkbox"
                    checked={count[what]}
                    onChange={(e) => {
                      set({ [what]: e.target.checked });
                    }}
                  />{' '}
                  {t(`sample.${what}`)}
                </label>
              ))}
            </details>
          </Part>
        </section>
        <aside>
          <Estimate />
          <FieldNews />
        </aside>
      </div>
    </>
  );
}
