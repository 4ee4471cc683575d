import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useReading } from '../words/useReading';
import './stageRail.css';

export interface RailStage {
  id: string;
  /** Where it leads; null for a stage that is still to come. */
  to: string | null;
  done: boolean;
  /** The number that matters at the stage. */
  key: string;
}

/** The stages of the work as buds on a stem: outline to come, filled done, opening and larger the one shown. */
export function StageRail({ stages }: { stages: RailStage[] }) {
  const { t } = useReading();
  const { pathname } = useLocation();
  const rail = useRef<HTMLElement>(null);
  // On a phone the rail is wider than the screen.
  useEffect(() => {
    rail.current?.querySelector('.active')?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [pathname]);
  return (
    <nav ref={rail} className="rail" aria-label={t('rail.label')}>
      {stages.map((stage) => {
        const name = t(`stage.${stage.id}`);
        const inner = (open: boolean) => (
          <>
            <Bud state={open ? 'open' : stage.done ? 'done' : 'closed'} />
            <span className="rail-text">
              <span className="rail-name">{name}</span>
              <span className="rail-key">{stage.key}</span>
            </span>
          </>
        );
        return stage.to === null ? (
          <span key={stage.id} className="rail-stage rail-later">
            {inner(false)}
          </span>
        ) : (
          <NavLink key={stage.id} to={stage.to} className="rail-stage">
            {({ isActive }) => inner(isActive)}
          </NavLink>
        );
      })}
    </nav>
  );
}

/** One bud with its piece of stem. */
function Bud({ state }: { state: 'closed' | 'done' | 'open' }) {
  const grow = state === 'open' ? 1.45 : 1;
  return (
    <svg className="rail-bud" viewBox="0 0 52 72" aria-hidden>
      <path d="M14 -1 C14 14 11.5 22 14 36 S14 58 14 73" className="rail-stem" />
      <path d="M15 46 C22 46 27 43 29 37" className="rail-twig" />
      <g transform={`translate(30 38) rotate(14) scale(${grow})`} className={`rail-bud-${state}`}>
        <path d="M0 0 C-10 -3 -9.5 -15 0 -22 C9.5 -15 10 -3 0 0Z" />
        <path d="M-7.4 -8 C-2 -9 3 -5 4.5 -1.6M7.2 -9.5 C4 -10.5 0 -9.5 -2 -7.2" className="rail-scale" />
      </g>
    </svg>
  );
}
