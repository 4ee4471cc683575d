import type { ReactNode } from 'react';
import { Choice } from '../../entry/Choice';
import { stepsOf, Why } from '../../entry/Why';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { parseNumber, toInput } from '../../units/parse';
import { firstUnit, shownAs } from '../../units/system';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { linkOf, links, type LinkName } from './chainLinks';
import { useMayType } from './useMayType';
import './chain.css';

/** From yield to buds on a limb as one line of figures: type into any, it is held and the others follow. */
export function Chain() {
  const reading = useReading();
  const { t, number, amount, language, system } = reading;
  const { plan, draft, change, problem, save } = usePlantingWork();
  const mayType = useMayType();
  const { fields } = useFormFields('target');
  const catalogue = useCatalogue();
  const { crop, buds, density } = plan;
  const typed = fields['yield'] ?? { text: '', unit: 't/ha' };
  const held = linkOf(typed.unit ?? 't/ha');
  const hold = (text: string, unit: string) => {
    change('target', { ...draft('target'), yield: { text, unit } });
  };
  const units: Record<LinkName, string> = {
    area: held === 'area' ? (typed.unit ?? 't/ha') : firstUnit('t/ha', system),
    tree: held === 'tree' ? (typed.unit ?? 'kg/tree') : firstUnit('kg/tree', system),
    fruit: 'fruit/tree',
    buds: 'bud/tree',
    limb: 'bud/limb',
  };
  const values: Record<LinkName, number | null> = {
    area: crop ? (crop.marketableKgPerHa / 1_000) * shownAs('t/ha', system).factor : null,
    tree: crop
      ? (crop.sameTarget.find((f) => f.name === 'packed')?.value ?? 0) * shownAs('kg/tree', system).factor
      : null,
    fruit: crop?.fruitPerTree ?? null,
    buds: buds?.budsPerTree ?? null,
    limb: buds?.budsPerLimb ?? null,
  };
  const mass = crop ? amount(crop.fruitMassG, 'g', 0) : null;
  const between: Partial<Record<LinkName, ReactNode>> = {
    tree: density && (
      <Why steps={density.steps}>
        ÷ {amount(density.bearingTreesPerHa, 'tree/ha', 0).number} {amount(density.bearingTreesPerHa, 'tree/ha').unit}
      </Why>
    ),
    fruit: crop && mass && (
      <Why steps={crop.steps}>
        ÷ {mass.number} {mass.unit}
        {shareOf(fields['packOut']?.text)}
      </Why>
    ),
    buds: buds && (
      <Why steps={stepsOf(buds.steps, 'bud-factor.factor', 'bud-factor.kept', 'bud-factor.buds')}>
        × {number(buds.factor, 2)} {t('unit:bud/fruit')}
      </Why>
    ),
    limb: buds?.budsPerLimb != null && (
      <Why steps={stepsOf(buds.steps, 'bud-factor.buds-per-limb')}>
        ÷ {number(buds.budsPerTree / buds.budsPerLimb, 1)} {t('unit:limb/tree')}
      </Why>
    ),
  };
  const areaUnits = (catalogue.data?.yieldUnits ?? ['t/ha']).filter((u) => linkOf(u) === 'area');
  const wrong = problem('target', 'yield');

  return (
    <fieldset className="part chain-part" disabled={!mayType}>
      <div className="chain-line" role="group" aria-label={t('target.chain')}>
        {links.map((link) => {
          const isHeld = link === held;
          const value = values[link];
          const text = isHeld
            ? typed.text
            : value === null
              ? ''
              : toInput(Number(value.toFixed(value < 100 ? 1 : 0)), language);
          const id = `link-${link}`;
          return (
            <div key={link} className="chain-step">
              {between[link] && <span className="chain-between">{between[link]}</span>}
              <div
                className={isHeld ? 'chain-link held' : 'chain-link'}
                data-link={link}
                data-field={isHeld ? 'target.yield' : undefined}
              >
                <label htmlFor={id}>
                  {t(`link.${link}`)}
                  {isHeld && <span className="chain-held"> · {t('link.held')}</span>}
                </label>
                <input
                  id={id}
                  inputMode="decimal"
                  autoComplete="off"
                  value={text}
                  aria-invalid={isHeld && wrong ? true : undefined}
                  data-test={link === 'buds' ? 'buds-to-leave' : undefined}
                  onChange={(e) => {
                    hold(e.target.value, units[link]);
                  }}
                  onKeyDown={(e) => {
                    if (e.key === 'Enter') void save('target');
                  }}
                />
                {link === 'area' && isHeld ? (
                  <Choice
                    label={`${t('link.area')}: ${t('unit')}`}
                    value={units.area}
                    options={areaUnits.map((u) => ({ value: u, label: reading.unitName(u) }))}
                    onChange={(unit) => {
                      hold(typed.text, unit);
                    }}
                  />
                ) : (
                  <span className="chain-unit">{reading.unitName(units[link])}</span>
                )}
                {isHeld && wrong && (
                  <p className="field-problem" role="alert">
                    {wrong}
                  </p>
                )}
              </div>
            </div>
          );
        })}
      </div>
    </fieldset>
  );

  function shareOf(text: string | undefined) {
    const share = parseNumber(text ?? '', language);
    return share !== null && !Number.isNaN(share) && share < 100 ? ` × ${number(share)} %` : '';
  }
}
