import { Hatch } from '../../drawings/Hatch';
import { useId } from 'react';
import { Link } from 'react-router';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** What is left in each trunk class, as the ledger in one line each. */
export function ByTrunk() {
  const { t, number, amount } = useReading();
  const { plan, view } = usePlantingWork();
  const hatch = useId();
  const classes = plan.prescription?.classes ?? [];
  if (classes.length < 2) return null;
  const most = Math.max(...classes.map((c) => Math.max(c.decision.standing.mean, c.decision.bandHigh)));
  const mm = (girthCm: number) => {
    const shown = amount((girthCm * 10) / Math.PI, 'mm', 0);
    return `${shown.number} ${shown.unit}`;
  };
  return (
    <section className="by-trunk" data-test="by-trunk">
      <h2>{t('prescribe.by-trunk')}</h2>
      {classes.map((c) => {
        const { fromGirthCm: from, toGirthCm: to } = c.class;
        const x = (buds: number) => (Math.max(0, buds) / most) * 250;
        return (
          <div key={c.class.name} className="by-trunk-line">
            <span>
              <strong>{t(`class.${c.class.name}`, { defaultValue: c.class.name })}</strong>
              <br />
              <span className="small dim">
                {from === null && to !== null
                  ? t('prescribe.under', { to: mm(to) })
                  : to === null && from !== null
                    ? t('prescribe.over', { from: mm(from) })
                    : from !== null && to !== null
                      ? `${mm(from)}–${mm(to)}`
                      : ''}{' '}
                · {number(c.class.share * 100, 0)} %
              </span>
            </span>
            <svg
              viewBox="0 0 254 34"
              role="img"
              aria-label={t('ledger.summary', {
                standing: number(c.decision.standing.mean, 0),
                left: number(c.budsLeft, 0),
                wanted: number(c.decision.budsToLeave, 0),
              })}
            >
              <Hatch id={hatch} />
              <rect
                x={x(c.decision.bandLow)}
                width={x(c.decision.bandHigh) - x(c.decision.bandLow)}
                y={0}
                height={34}
                fill="var(--lichen-tint)"
              />
              <rect x={0} width={x(c.budsLeft)} y={6} height={22} fill="var(--plum)" />
              {c.decision.standing.mean > c.budsLeft && (
                <rect
                  x={x(c.budsLeft)}
                  width={x(c.decision.standing.mean) - x(c.budsLeft)}
                  y={6}
                  height={22}
                  fill={`url(#${hatch})`}
                  stroke="var(--straw)"
                />
              )}
              <line
                x1={x(c.decision.budsToLeave)}
                x2={x(c.decision.budsToLeave)}
                y1={0}
                y2={34}
                stroke="var(--lichen)"
                strokeWidth={2}
              />
              <text x={7} y={22} className="by-trunk-left">
                {number(c.budsLeft, 0)}
              </text>
            </svg>
            <span className="small dim">{t('prescribe.of', { standing: number(c.decision.standing.mean, 0) })}</span>
          </div>
        );
      })}
      <Link to={`/plantings/${view.id}/bench`}>{t('prescribe.see-tree')}</Link>
    </section>
  );
}
