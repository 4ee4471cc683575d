import { Notices } from '../../entry/Notices';
import { useFormFields } from '../../planting/useFormFields';
import { SaveBar } from '../../planting/SaveBar';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { Carries } from './Carries';
import { Chain } from './Chain';
import { Schools } from './Schools';
import { Shared } from './Shared';
import { Start } from './Start';
import { useDesk } from './useDesk';
import { useMay } from '../../people/session';
import { useMayType } from './useMayType';
import { Versions } from './Versions';
import { Worth } from './Worth';
import './target.css';

/**
 * The target desk: the chain of numbers, what insurance costs, what each choice is worth, what the trees carry, and who
 * gets how much.
 */
export function TargetStage() {
  const { t, number, amount, unitName } = useReading();
  const { plan } = usePlantingWork();
  const mayType = useMayType();
  const may = useMay();
  const form = useFormFields('target');
  const catalogue = useCatalogue();
  const desk = useDesk();
  const { crop, buds, start } = plan;
  const usesPackage = (name: string) =>
    [form.fields['yield']?.unit, form.fields['fruitSize']?.unit].some((u) => u?.includes(name));
  return (
    <div className="desk">
      {mayType && start.proposed && !form.fields['yield']?.text && <Start proposed={start.proposed} />}
      <Chain />
      <fieldset className="part" disabled={!mayType}>
        <div className="size-row">
          {form.input('fruitSize', catalogue.data?.fruitSizeUnits ?? ['g'], {
            unitLabel: (unit) => t(`size:${unit}`, { defaultValue: unitName(unit) }),
          })}
          {form.input('packOut', ['%'], { hint: t('target.pack-out-hint') })}
          {form.input('limbsPerTree', ['limb/tree'], {
            hint:
              plan.survey?.means.limbs != null
                ? t('target.limbs-counted', { limbs: number(plan.survey.means.limbs, 1) })
                : plan.planting
                  ? t('target.limbs-hint', { limbs: number(plan.planting.system.form.limbsPerTree, 0) })
                  : undefined,
          })}
          {usesPackage('box') &&
            form.input('packages.box', ['kg', 'lb'], { hint: packageHint(catalogue.data?.packages.boxKg) })}
          {usesPackage('bin') &&
            form.input('packages.bin', ['kg', 'lb'], { hint: packageHint(catalogue.data?.packages.binKg) })}
          {usesPackage('bushel') &&
            form.input('packages.bushel', ['lb', 'kg'], { hint: packageHint(catalogue.data?.packages.bushelKg) })}
        </div>
        {crop ? (
          <ul className="same same-row" data-both aria-label={t('target.same')}>
            {crop.sameTarget.map((form) => {
              // These are already in the units they are known by; only the number is written the reader's way.
              return (
                <li key={`${form.name}${form.unit}`}>
                  <strong>{number(form.value, form.value < 100 ? 1 : 0)}</strong>{' '}
                  <span className="unit">{t(`unit:${form.unit}`, { defaultValue: form.unit })}</span>
                </li>
              );
            })}
          </ul>
        ) : (
          <p className="dim" data-test="target-lacks">
            {t(`target.lacks.${start.lacks}`, { defaultValue: t('target.lacks') })}
          </p>
        )}
        <Notices
          notices={[
            ...(crop?.warnings ?? []),
            ...(buds?.warnings ?? []),
            ...(desk?.size.warnings ?? []),
            ...(desk ? [] : plan.loadWarnings),
          ]}
        />
        <Schools desk={desk} />
      </fieldset>
      {may('money') && <Worth desk={desk} />}
      <fieldset className="part" disabled={!mayType}>
        {desk && <Carries desk={desk} />}
        {desk && <Shared desk={desk} />}
      </fieldset>
      <Versions />
      <div className="desk-save">
        <SaveBar section="target" />
      </div>
    </div>
  );

  function packageHint(kg: number | undefined) {
    if (kg === undefined) return undefined;
    const shown = amount(kg, 'kg', 1);
    return t('target.package-hint', { mass: `${shown.number} ${shown.unit}` });
  }
}
