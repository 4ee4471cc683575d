import type { TargetDesk } from '../../api/client';
import { LightInRow } from './LightInRow';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useFormFields } from '../../planting/useFormFields';
import { usePlantingWork } from '../../planting/usePlanting';
import { useCatalogue } from '../estate/useCatalogue';
import { useReading } from '../../words/useReading';

/** What the trees can carry: crop density against its range, past years, and how high and wide they may be. */
export function Carries({ desk }: { desk: TargetDesk }) {
  const { t, number, amount } = useReading();
  const { plan } = usePlantingWork();
  const form = useFormFields('target');
  const usual = useCatalogue().data?.targetDefaults;
  const { load, canopy, light, alternation, pastFruit } = desk;
  const length = (m: number, decimals = 2) => `${amount(m, 'm', decimals).number} ${amount(m, 'm').unit}`;
  const area = (cm2: number) => `${amount(cm2, 'cm²', 0).number} ${amount(cm2, 'cm²').unit}`;
  const kind = plan.planting?.system.form.canopy;
  const binding = canopy.limits.find((l) => l.binds);
  return (
    <section className="desk-part" id="carries">
      <h2>{t('carries.heading')}</h2>
      <div className="carries">
        <div>
          <h3>{t('carries.load')}</h3>
          {load.cropDensity != null ? (
            <>
              <p>
                <Why main steps={load.steps}>
                  <span className="big" data-test="crop-density">
                    {number(load.cropDensity, 1)}
                  </span>{' '}
                  <span className="unit">{t('unit:fruit/cm²')}</span>
                </Why>
              </p>
              {load.low != null && load.high != null && (
                <Range
                  value={load.cropDensity}
                  low={load.low}
                  high={load.high}
                  label={t('carries.range', { low: number(load.low), high: number(load.high) })}
                />
              )}
            </>
          ) : (
            load.leafAreaPerFruitCm2 == null && <p className="dim">{t('carries.no-girth')}</p>
          )}
          {desk.perUnit && (
            <p>
              <Why steps={desk.perUnit.steps}>
                <span className="value">{number(desk.perUnit.fruit, 2)}</span>{' '}
                <span className="unit">{t('unit:fruit/bud')}</span>
              </Why>{' '}
              · {t('carries.range', { low: number(desk.perUnit.low), high: number(desk.perUnit.high) })}
            </p>
          )}
          {load.leafAreaPerFruitCm2 != null && (
            <p>
              <Why main steps={load.steps}>
                <span className="value">{area(load.leafAreaPerFruitCm2)}</span>
              </Why>{' '}
              {t('carries.leaf-area')}
            </p>
          )}
        </div>
        <div>
          <h3>{t('carries.past')}</h3>
          {pastFruit.length > 0 && plan.crop ? (
            <Years past={pastFruit} season={plan.crop.fruitPerTree} />
          ) : (
            <p className="dim">{t('carries.no-past')}</p>
          )}
          {alternation && (
            <p className="small">
              {t('result.alternation')} <Why steps={alternation.steps}>{number(alternation.index, 2)}</Why> ·{' '}
              {t(alternation.alternates ? 'result.alternates' : 'result.steady')}
            </p>
          )}
        </div>
        <div>
          <h3>{t('carries.height')}</h3>
          <p>
            <Why main steps={canopy.steps}>
              <span className="big" data-test="height-limit">
                {length(canopy.heightM)}
              </span>
            </Why>
          </p>
          <p className="small">
            {binding && t(`canopy.binds.${binding.code}`, { others: canopy.limits.length - 1 })}
            {canopy.toCutM != null && (
              <>
                {' '}
                ·{' '}
                <strong>
                  {canopy.toCutM > 0
                    ? t('canopy.above', { by: length(canopy.toCutM) })
                    : t('canopy.below', { by: length(-canopy.toCutM) })}
                </strong>
              </>
            )}
          </p>
          <p className="small dim">
            {t('canopy.reach', { along: length(canopy.reachAlongM), across: length(canopy.reachAcrossM) })}
          </p>
          {canopy.v && (
            <p className="small">
              {t('canopy.v', {
                slant: length(canopy.v.slantM),
                spread: length(canopy.v.spreadM),
                alley: length(canopy.v.alleyM),
              })}
            </p>
          )}
          {canopy.leaderSpacingM != null && (
            <p className="small">{t('canopy.leaders', { apart: length(canopy.leaderSpacingM) })}</p>
          )}
          {light && (
            <p className="small">
              <Why steps={light.steps}>
                {t('canopy.light', {
                  left: number(light.leftFaceLit * 100, 0),
                  right: number(light.rightFaceLit * 100, 0),
                  shadow: length(light.noonShadowM, 1),
                })}
              </Why>
            </p>
          )}
        </div>
      </div>
      <Notices
        notices={[
          ...load.warnings,
          ...(desk.perUnit?.warnings ?? []),
          ...canopy.warnings,
          ...(alternation?.warnings ?? []),
        ]}
      />
      {light && plan.planting && (
        <LightInRow
          key={`${light.heightM} ${plan.planting.form.rowSpacingM}`}
          light={light}
          rowM={plan.planting.form.rowSpacingM}
        />
      )}
      <details className="desk-more">
        <summary>{t('canopy.heading')}</summary>
        <div className="fields three">
          {form.input('canopy.height', ['m', 'ft'], { hint: t('canopy.height-hint') })}
          {form.input('canopy.regrowth', ['m', 'cm', 'ft', 'in'], { hint: t('canopy.regrowth-hint') })}
          {form.input('canopy.alley', ['m', 'ft'], { placeholder: usual && number(usual.alleyM) })}
          {form.input('canopy.overlap', ['m', 'cm', 'ft', 'in'])}
          {(kind === 'spindle' || kind === 'wall') &&
            form.input('canopy.heightFactor', [], {
              placeholder: usual && number(kind === 'wall' ? usual.wallFactor : usual.spindleFactor),
            })}
          {kind !== 'spindle' && form.input('canopy.leaders', [])}
          {kind !== 'spindle' && form.input('canopy.leaderSpacing', ['m', 'cm', 'ft'])}
          {kind === 'openV' && form.input('canopy.angleDeg', ['°'])}
          {kind === 'openV' && form.input('canopy.baseGap', ['m', 'cm', 'ft'])}
          {kind === 'openV' && form.input('canopy.overhang', ['m', 'cm', 'ft'])}
        </div>
      </details>
    </section>
  );
}

const RANGE_WIDTH = 260;

/** A value on a scale with its usual range; whether it lies inside is told in words too, by the warnings. */
function Range({ value, low, high, label }: { value: number; low: number; high: number; label: string }) {
  const most = Math.max(high * 1.6, value * 1.1);
  const x = (at: number) => (at / most) * RANGE_WIDTH;
  return (
    <svg className="range" viewBox={`0 0 ${RANGE_WIDTH} 44`} role="img" aria-label={label}>
      <line x1={0} x2={RANGE_WIDTH} y1={14} y2={14} stroke="var(--wood)" />
      <rect x={x(low)} width={x(high) - x(low)} y={6} height={16} fill="var(--lichen-tint)" stroke="var(--lichen)" />
      <path d={`M${x(value)} 25l-7 -19h14z`} fill="var(--plum)" stroke="var(--sheet)" strokeWidth={1.5} />
      <text x={(x(low) + x(high)) / 2} y={40} textAnchor="middle">
        {label}
      </text>
    </svg>
  );
}

/** Fruit per tree of past seasons beside the one wanted: heavy and light years show at a glance. */
function Years({ past, season }: { past: TargetDesk['pastFruit']; season: number }) {
  const { t, number } = useReading();
  const bars = [
    ...past.slice(-6).map((p) => ({ label: String(p.season), value: p.fruitPerTree, wanted: false })),
    { label: t('carries.wanted'), value: season, wanted: true },
  ];
  const most = Math.max(...bars.map((b) => b.value));
  const [wide, high] = [52, 84];
  return (
    <svg
      className="years"
      viewBox={`0 0 ${bars.length * wide} ${high + 34}`}
      style={{ maxWidth: bars.length * wide }}
      role="img"
      aria-label={bars.map((b) => `${b.label}: ${number(b.value, 0)}`).join('; ')}
    >
      {bars.map((b, i) => (
        <g key={b.label} transform={`translate(${i * wide} 0)`}>
          <rect
            x={8}
            width={wide - 16}
            y={high + 14 - (b.value / most) * high}
            height={(b.value / most) * high}
            fill={b.wanted ? 'var(--plum)' : 'var(--wood)'}
          />
          <text x={wide / 2} y={high + 10 - (b.value / most) * high} textAnchor="middle" className="years-value">
            {number(b.value, 0)}
          </text>
          <text x={wide / 2} y={high + 30} textAnchor="middle">
            {b.label}
          </text>
        </g>
      ))}
    </svg>
  );
}
