import { Sheet, type SheetColumn } from '../../entry/Sheet';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { Part } from '../../planting/Part';
import { usePlantingWork } from '../../planting/usePlanting';
import { firstUnit } from '../../units/system';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';

/** What past seasons brought, and whether heavy and light years take turns. */
export function ResultStage() {
  const { t, number, unitName, system } = useReading();
  const { draft, change, problem, view } = usePlantingWork();
  const catalogue = useCatalogue();
  const units = (codes: string[] | undefined, name: (code: string) => string) =>
    (codes ?? []).map((code) => ({ value: code, label: name(code) }));
  const columns: SheetColumn[] = [
    { key: 'season', label: t('result.season'), wide: 0.8 },
    { key: 'yield', label: t('result.yield'), wide: 0.8 },
    { key: 'yieldUnit', label: t('unit'), options: units(catalogue.data?.yieldUnits, unitName), wide: 1.1 },
    { key: 'fruitSize', label: t('field.fruitSize'), wide: 0.8 },
    {
      key: 'fruitSizeUnit',
      label: t('unit'),
      options: units(catalogue.data?.fruitSizeUnits, (u) => t(`size:${u}`, { defaultValue: unitName(u) })),
      wide: 1.1,
    },
    { key: 'packOut', label: `${t('field.packOut')}, %`, wide: 0.8 },
    { key: 'budsLeft', label: t('result.buds-left'), wide: 0.8 },
    { key: 'clustersThinned', label: t('result.thinned'), wide: 1 },
    { key: 'greenTip', label: t('result.green-tip'), text: true, wide: 1.1 },
  ];
  const { alternation } = view;
  return (
    <div className="columns result-columns">
      <section>
        <div className="stage-head">
          <h2>{t('result.title')}</h2>
        </div>
        <Part section="records">
          <Sheet
            full
            path="records.seasons"
            columns={columns}
            lines={draft('records').lines}
            blank={{ yieldUnit: firstUnit('t/ha', system), fruitSizeUnit: firstUnit('g', system), packOutUnit: '%' }}
            onLines={(lines) => {
              change('records', { lines });
            }}
            problem={(line, field) => problem('records', `seasons[${line}].${field}`)}
          />
          <p className="small dim">{t('result.text')}</p>
        </Part>
        <div className="weighed">
          <div className="stage-head">
            <h2>{t('weighed.heading')}</h2>
          </div>
          <Part section="fruitSample">
            <p className="small dim">{t('weighed.text')}</p>
            <Sheet
              path="fruitSample.fruit"
              lines={draft('fruitSample').lines}
              blank={{ diameterUnit: firstUnit('mm', system), massUnit: 'g' }}
              full
              onLines={(lines) => {
                change('fruitSample', { lines });
              }}
              problem={(line, field) => problem('fruitSample', `fruit[${line}].${field}`)}
              columns={[
                { key: 'diameter', label: t('weighed.diameter') },
                { key: 'diameterUnit', label: t('unit'), options: units(['mm', 'in'], unitName) },
                { key: 'mass', label: t('weighed.mass') },
                { key: 'massUnit', label: t('unit'), options: units(['g', 'oz'], unitName) },
              ]}
            />
          </Part>
        </div>
      </section>
      <aside className="sheet">
        {alternation ? (
          <dl className="chain">
            <div>
              <dt>{t('result.alternation')}</dt>
              <dd>
                <Why main steps={alternation.steps}>
                  <span className="big">{number(alternation.index, 2)}</span>
                </Why>
              </dd>
            </div>
            <div>
              <dt>{t('result.pairs')}</dt>
              <dd className="value">{alternation.pairs}</dd>
            </div>
            <div>
              <dt>{t('result.verdict')}</dt>
              <dd>{t(alternation.alternates ? 'result.alternates' : 'result.steady')}</dd>
            </div>
          </dl>
        ) : (
          <p className="dim">{t('result.waiting')}</p>
        )}
        <Notices notices={alternation?.warnings ?? []} />
      </aside>
    </div>
  );
}
