import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { Part } from '../../planting/Part';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { PlantingFields } from './PlantingFields';
import { RemovePlanting } from './RemovePlanting';
import { Rows } from './Rows';
import { useCatalogue } from './useCatalogue';

/** What grows there and on which ground. */
export function EstateStage() {
  const { t, amount } = useReading();
  const { plan } = usePlantingWork();
  const form = useFormFields('planting');
  const catalogue = useCatalogue();
  const density = plan.density;
  const perHa = density && amount(density.treesPerHa, 'tree/ha', 0);
  const bearing = density && amount(density.bearingTreesPerHa, 'tree/ha', 0);
  const all = density && amount(density.bearingTrees, 'tree', 0);
  return (
    <div className="columns">
      <section>
        <div className="stage-head">
          <h2>{t('stage.estate')}</h2>
        </div>
        <Part section="planting">{catalogue.data && <PlantingFields form={form} catalogue={catalogue.data} />}</Part>
      </section>
      <aside className="sheet">
        {density && perHa && bearing && all ? (
          <dl className="chain">
            <div>
              <dt>{t('estate.trees')}</dt>
              <dd>
                <Why steps={density.steps}>
                  <span className="value">{perHa.number}</span> <span className="unit">{perHa.unit}</span>
                </Why>
              </dd>
            </div>
            <div>
              <dt>{t('estate.bearing-per-area')}</dt>
              <dd>
                <Why steps={density.steps}>
                  <span className="value">{bearing.number}</span> <span className="unit">{bearing.unit}</span>
                </Why>
              </dd>
            </div>
            <div>
              <dt>{t('estate.bearing')}</dt>
              <dd>
                <Why steps={density.steps}>
                  <span className="value">{all.number}</span> <span className="unit">{all.unit}</span>
                </Why>
              </dd>
            </div>
          </dl>
        ) : (
          <p className="dim">{t('estate.waiting')}</p>
        )}
        <Notices notices={density?.warnings ?? []} />
      </aside>
      <Rows />
      <RemovePlanting />
    </div>
  );
}
