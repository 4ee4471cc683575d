import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { Part } from '../../planting/Part';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';

/** The chain of numbers from yield to buds: what is typed on the left, what follows on the right, each with its why. */
export function TargetStage() {
  const { t, number, amount, unitName } = useReading();
  const { plan } = usePlantingWork();
  const form = useFormFields('target');
  const catalogue = useCatalogue();
  const { crop, buds } = plan;
  const usesPackage = (name: string) => [form.fields['yield']?.unit, form.fields['fruitSize']?.unit].some((u) => u?.includes(name));
  return (
    <div className="columns">
      <section>
        <div className="stage-head"><h2>{t('target.heading')}</h2></div>
        <Part section="target"><div className="fields">
          {form.input('yield', catalogue.data?.yieldUnits ?? ['t/ha'])}
          {form.input('fruitSize', catalogue.data?.fruitSizeUnits ?? ['g'], { unitLabel: (unit) => t(`size:${unit}`, { defaultValue: unitName(unit) }) })}
          {form.input('packOut', ['%'], { hint: t('target.pack-out-hint') })}
          {form.input('budFactor', ['bud/fruit'], { hint: t('target.factor-hint') })}
          {form.input('limbsPerTree', ['limb/tree'], {
            hint: plan.survey?.meanLimbs != null ? t('target.limbs-counted', { limbs: number(plan.survey.meanLimbs, 1) })
              : plan.planting ? t('target.limbs-hint', { limbs: number(plan.planting.system.form.limbsPerTree, 0) }) : undefined,
          })}
          {usesPackage('box') && form.input('packages.box', ['kg', 'lb'], { hint: packageHint(catalogue.data?.packages.boxKg) })}
          {usesPackage('bin') && form.input('packages.bin', ['kg', 'lb'], { hint: packageHint(catalogue.data?.packages.binKg) })}
          {usesPackage('bushel') && form.input('packages.bushel', ['lb', 'kg'], { hint: packageHint(catalogue.data?.packages.bushelKg) })}
        </div></Part>
        <Notices notices={[...(crop?.warnings ?? []), ...(buds?.warnings ?? []), ...plan.loadWarnings]} />
      </section>
      <aside className="sheet">
        {crop && buds ? (
          <>
            <dl className="chain">
              <div><dt>{t('target.fruit')}</dt><dd><Why steps={crop.steps}><span className="value">{number(crop.fruitPerTree, 1)}</span> <span className="unit">{t('unit:fruit/tree')}</span></Why></dd></div>
              <div><dt>{t('target.buds')}</dt><dd><Why main steps={stepsOf(buds.steps, 'bud-factor.buds')}><span className="big" data-test="buds-to-leave">{number(buds.budsPerTree, 0)}</span> <span className="unit">{t('unit:bud/tree')}</span></Why></dd></div>
              {buds.budsPerLimb !== null && (
                <div><dt>{t('target.buds-per-limb')}</dt><dd><Why steps={stepsOf(buds.steps, 'bud-factor.buds-per-limb')}><span className="value">{number(buds.budsPerLimb, 1)}</span> <span className="unit">{t('unit:bud/limb')}</span></Why></dd></div>
              )}
              {buds.fruitPerLimb !== null && (
                <div><dt>{t('target.fruit-per-limb')}</dt><dd><Why steps={stepsOf(buds.steps, 'bud-factor.fruit-per-limb')}><span className="value">{number(buds.fruitPerLimb, 1)}</span> <span className="unit">{t('unit:fruit/limb')}</span></Why></dd></div>
              )}
            </dl>
            <h3 className="same-heading">{t('target.same')}</h3>
            <ul className="same">
              {crop.sameTarget.map((form) => {
                // These are already in the units they are known by; only the number is written the reader's way.
                return <li key={form.unit}><strong>{number(form.value, form.value < 100 ? 1 : 0)}</strong> <span className="unit">{t(`unit:${form.unit}`, { defaultValue: form.unit })}</span></li>;
              })}
            </ul>
          </>
        ) : <p className="dim">{t('target.waiting')}</p>}
      </aside>
    </div>
  );

  function packageHint(kg: number | undefined) {
    if (kg === undefined) return undefined;
    const shown = amount(kg, 'kg', 1);
    return t('target.package-hint', { mass: `${shown.number} ${shown.unit}` });
  }
}
