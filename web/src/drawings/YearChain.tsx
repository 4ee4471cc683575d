import { Fragment } from 'react';
import type { SeasonChain } from '../api/client';
import { Why } from '../entry/Why';
import { useReading } from '../words/useReading';
import { barsOf } from './yearChain';
import './yearChain.css';

const WIDTH = 360,
  HEIGHT = 18;

// Less is told as nothing, tonnes a hectare.
const SMALLEST = 0.05;

/**
 * A season from what was wanted to what came, the ledger carried on: an outline for what was wanted at each step,
 * filled as far as it came, and between two steps what came through of what was expected to.
 */
export function YearChain({ chain, tonnes }: { chain: SeasonChain; tonnes: readonly number[] | null }) {
  const { t, number, told, unitName } = useReading();
  const bars = barsOf(
    chain.stages.map((s) => (s.wanted !== null && s.came !== null && s.wanted > 0 ? s.came / s.wanted : null)),
    WIDTH,
  );
  return (
    <div className="year-chain" data-test="year-chain">
      {chain.stages.map((stage, i) => {
        const bar = bars[i];
        const place = chain.links.findIndex((l) => l.kinds.at(-1) === stage.link);
        const link = chain.links[place];
        return (
          <Fragment key={stage.link}>
            {link && (
              <p className={place === chain.most ? 'chain-link chain-link-most' : 'chain-link'}>
                <span>{link.kinds.map((k) => t(`link.${k}`)).join(' + ')}</span>{' '}
                <Why steps={link.steps}>
                  <strong>{told(link.factor, 'share', 0)}</strong>
                </Why>{' '}
                {link.low !== null && link.high !== null && (
                  <span className="dim">
                    ({number(link.low * 100, 0)}–{told(link.high, 'share', 0)})
                  </span>
                )}{' '}
                {tonnes && Math.abs(tonnes[place]!) >= SMALLEST && (
                  <span className="dim">
                    {t(tonnes[place]! < 0 ? 'chain.lost' : 'chain.won', {
                      tonnes: told(Math.abs(tonnes[place]!), 't/ha', 1),
                    })}
                  </span>
                )}
              </p>
            )}
            <div className="chain-stage">
              <span className="chain-name">{t(`chain.${stage.link}`)}</span>
              <svg
                viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
                className="chain-bar"
                role="img"
                aria-label={t(`chain.${stage.link}`)}
              >
                {bar && (
                  <>
                    <rect
                      x={0}
                      y={3}
                      height={HEIGHT - 6}
                      width={bar.came}
                      className={bar.came < bar.wanted ? 'chain-came chain-came-short' : 'chain-came'}
                    />
                    <rect x={0.75} y={1} height={HEIGHT - 2} width={bar.wanted - 1.5} className="chain-wanted" />
                  </>
                )}
              </svg>
              <span className="chain-numbers">
                {stage.came === null ? (
                  <span className="dim">{t('chain.not-counted')}</span>
                ) : (
                  <strong>{number(stage.came, stage.unit === 'kg/tree' ? 1 : 0)}</strong>
                )}
                {stage.came !== null && stage.halfWidth !== null && (
                  <span className="dim"> ± {number(stage.halfWidth, 0)}</span>
                )}
                {stage.wanted !== null && (
                  <span className="dim">
                    {' '}
                    {t('chain.of', { wanted: number(stage.wanted, stage.unit === 'kg/tree' ? 1 : 0) })}
                  </span>
                )}{' '}
                <span className="unit">{unitName(stage.unit)}</span>
              </span>
            </div>
          </Fragment>
        );
      })}
    </div>
  );
}
