import type { CatalogueView } from '../../api/client';
import type { FieldControls } from '../../entry/fieldControls';
import { FREE } from './draft';
import { useReading } from '../../words/useReading';

/** The inputs of a planting, the same for a new one and one that is changed. */
export function PlantingFields({ form, catalogue }: { form: FieldControls; catalogue: CatalogueView }) {
  const { t, local } = useReading();
  const crop = catalogue.varieties.find((v) => v.name === form.fields['variety']?.text)?.crop;
  const names = (all: { name: string; crop: string }[]) => all.map((x) => ({ value: x.name, label: `${x.name}` }));
  const systems = catalogue.systems.filter((s) => !crop || s.crops.includes(crop));
  // What is not settled of a system is said before it is chosen.
  const notes = crop
    ? systems
        .filter((s) => s.note)
        .map((s) => `▲ ${local(s.name)}: ${local(s.note)}`)
        .join(' ')
    : '';
  const own = Object.keys(form.fields).filter((path) => path.startsWith(FREE));
  return (
    <div className="fields">
      {form.input('site', [], { numeric: false, hint: t('estate.site-hint') })}
      {form.input('block', [], { numeric: false, hint: t('estate.block-hint') })}
      {form.input('code', [], { numeric: false })}
      {form.input('name', [], { numeric: false })}
      {form.choice('variety', names(catalogue.varieties))}
      {form.choice(
        'rootstock',
        names(catalogue.rootstocks.filter((r) => !crop || r.crop === crop || r.current.alsoFor?.includes(crop))),
      )}
      {form.choice(
        'system',
        systems.map((s) => ({ value: s.id, label: local(s.name) })),
        notes,
      )}
      {form.input('yearPlanted', [])}
      {form.input('rowSpacing', ['m', 'ft'])}
      {form.input('treeSpacing', ['m', 'ft'])}
      {form.input('area', ['ha', 'ac'])}
      {form.input('missingShare', ['%'])}
      {form.input('pollinizerShare', ['%'])}
      {own.map((path) => form.input(path, [], { numeric: false, label: path.slice(FREE.length) }))}
    </div>
  );
}
