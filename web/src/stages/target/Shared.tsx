import type { TargetDesk } from '../../api/client';
import { stepsOf, Why } from '../../entry/Why';
import { useFormFields } from '../../planting/useFormFields';
import { useCatalogue } from '../estate/useCatalogue';
import { useReading } from '../../words/useReading';

/** The target by trunk class and along the tree; trees that stand apart from it are told. */
export function Shared({ desk }: { desk: TargetDesk }) {
  const { t, number, amount } = useReading();
  const form = useFormFields('target');
  const usual = useCatalogue().data?.targetDefaults;
  const { shared, zones, apart } = desk;
  const girth = (cm: number | null | undefined) => (cm == null ? null : amount(cm, 'cm', 1));
  const range = (from: number | null | undefined, to: number | null | undefined) => {
    const [low, high] = [girth(from), girth(to)];
    if (low && high) return `${low.number}–${high.number} ${high.unit}`;
    return high
      ? t('shared.below', { to: `${high.number} ${high.unit}` })
      : low
        ? t('shared.from', { from: `${low.number} ${low.unit}` })
        : t('shared.all');
  };
  return (
    <section className="desk-part" id="shared">
      <h2>{t('shared.heading')}</h2>
      <div className="shared">
        <div>
          {shared ? (
            <>
              <table className="figures compact" data-test="classes">
                <thead>
                  <tr>
                    <th>{t('shared.class')}</th>
                    <th>{t('shared.girth')}</th>
                    <th className="number">{t('shared.trees')}</th>
                    <th className="number">{t('shared.fruit')}</th>
                    <th className="number">{t('shared.buds')}</th>
                  </tr>
                </thead>
                <tbody>
                  {shared.classes.map((c) => (
                    <tr key={c.class.name}>
                      <th scope="row">{t(`shared.${c.class.name}`, { defaultValue: c.class.name })}</th>
                      <td>{range(c.class.fromGirthCm, c.class.toGirthCm)}</td>
                      <td className="number">{number(c.class.share * 100, 0)} %</td>
                      <td className="number">
                        <Why steps={stepsOf(shared.steps, `class-targets.${c.class.name}`)}>
                          {number(c.fruitPerTree, 0)}
                        </Why>
                      </td>
                      <td className="number">{c.budsPerTree == null ? '–' : number(c.budsPerTree, 0)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="small dim">
                {t(desk.everyTrunk ? 'shared.every-trunk' : 'shared.counted-only', {
                  count: shared.classes.reduce((sum, c) => sum + (c.class.trees ?? 0), 0),
                })}
              </p>
            </>
          ) : (
            <p className="dim">{t('shared.waiting')}</p>
          )}
          {apart && (
            <p className="small" data-test="apart">
              {t('shared.apart', {
                missing: number(apart.missing),
                replants: number(apart.replants),
                pollinizers: number(apart.pollinizers),
              })}
              {apart.toGrub > 0 && ` ${t('shared.to-grub', { trees: number(apart.toGrub) })}`}
            </p>
          )}
        </div>
        <div>
          <h3>{t('zones.heading')}</h3>
          <table className="figures compact">
            <tbody>
              {zones.zones.map((zone) => (
                <tr key={zone.name}>
                  <th scope="row">{t(`zones.${zone.name}`)}</th>
                  <td className="number">
                    <Why steps={zones.steps}>{number(zone.budsPerTree, 0)}</Why>{' '}
                    <span className="unit">{t('unit:bud/tree')}</span>
                  </td>
                  <td className="number">{number(zone.share * 100, 0)} %</td>
                </tr>
              ))}
            </tbody>
          </table>
          {form.choice(
            'sharing.top',
            ['weak', 'normal', 'strong'].map((value) => ({ value, label: t(`zones.top.${value}`) })),
          )}
        </div>
      </div>
      <details className="desk-more">
        <summary>{t('shared.settings')}</summary>
        <div className="fields three">
          {form.input('sharing.exponent', [], {
            placeholder: usual && number(usual.sharingExponent),
            hint: t('shared.exponent-hint'),
          })}
          {form.input('sharing.smallBelow', ['mm', 'cm', 'in'], { hint: t('shared.limit-hint') })}
          {form.input('sharing.largeFrom', ['mm', 'cm', 'in'])}
        </div>
      </details>
    </section>
  );
}
