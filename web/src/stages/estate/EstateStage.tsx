import { useQuery } from '@tanstack/react-query';
import { api, answered, type Catalogue } from '../../api/client';
import type { FieldControls } from '../../entry/fieldControls';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { SaveBar } from '../../planting/SaveBar';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

export function useCatalogue() {
  return useQuery({ queryKey: ['catalogue'], queryFn: () => answered(api.GET('/api/v1/catalogue')), staleTime: Infinity });
}

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
        <div className="stage-head"><h2>{t('stage.estate')}</h2></div>
        {catalogue.data && <PlantingFields form={form} catalogue={catalogue.data} />}
        <SaveBar section="planting" />
      </section>
      <aside className="sheet">
        {density && perHa && bearing && all ? (
          <dl className="chain">
            <div><dt>{t('estate.trees')}</dt><dd><Why steps={density.steps}><span className="value">{perHa.number}</span> <span className="unit">{perHa.unit}</span></Why></dd></div>
            <div><dt>{t('estate.bearing-per-area')}</dt><dd><Why steps={density.steps}><span className="value">{bearing.number}</span> <span className="unit">{bearing.unit}</span></Why></dd></div>
            <div><dt>{t('estate.bearing')}</dt><dd><Why steps={density.steps}><span className="value">{all.number}</span> <span className="unit">{all.unit}</span></Why></dd></div>
          </dl>
        ) : <p className="dim">{t('estate.waiting')}</p>}
        <Notices notices={density?.warnings ?? []} />
      </aside>
    </div>
  );
}

export function PlantingFields({ form, catalogue }: { form: FieldControls; catalogue: Catalogue }) {
  const { local } = useReading();
  const crop = catalogue.varieties.find((v) => v.name === form.fields['variety']?.text)?.crop;
  const names = (all: { name: string; crop: string }[]) => all.map((x) => ({ value: x.name, label: `${x.name}` }));
  return (
    <div className="fields">
      {form.input('code', [], { numeric: false })}
      {form.input('name', [], { numeric: false })}
      {form.choice('variety', names(catalogue.varieties))}
      {form.choice('rootstock', names(catalogue.rootstocks.filter((r) => !crop || r.crop === crop)))}
      {form.choice('system', catalogue.systems.map((s) => ({ value: s.id, label: local(s.name) })))}
      {form.input('yearPlanted', [])}
      {form.input('rowSpacing', ['m', 'ft'])}
      {form.input('treeSpacing', ['m', 'ft'])}
      {form.input('area', ['ha', 'ac'])}
      {form.input('missingShare', ['%'])}
      {form.input('pollinizerShare', ['%'])}
    </div>
  );
}
