import { memo, useMemo } from 'react';
import type { Branch, BudSite, FruitTree } from '../api/client';
import { budSize, budSpot, shootSpot, type DrawnShoot } from './buds';
import {
  depthOf,
  falls,
  fallsWith,
  placeAt,
  project,
  widthMm,
  woodPath,
  type Frame,
  type Standing,
  type View,
} from './tree';

/** What a pointer is at: a branch, cut so far from its base, or a bud. */
export interface Aim {
  branch: number | null;
  bud: number | null;
  leaveM: number;
}

/** Height at which the graft union is drawn. */
const UNION_M = 0.12;

interface Props {
  tree: FruitTree;
  view: View;
  frame: Frame;
  standing: Standing;
  aim: Aim | null;
  onAim: ((aim: Aim | null) => void) | undefined;
  /** Cuts; whether a finger did it. */
  onCut: ((aim: Aim, touched: boolean) => void) | undefined;
}

/** The wood of a tree with its spurs, shoots and buds; what was cut is pale. */
export const TreeWood = memo(function TreeWood({ tree, view, frame, standing, aim, onAim, onCut }: Props) {
  // What is nearer lies on top; a leader goes before what grows on it at the same depth.
  const order = useMemo(
    () =>
      tree.branches
        .map((b) => ({
          b,
          depth:
            depthOf(b.path[Math.floor(b.path.length / 2)]!, view) -
            (b.kind === 'trunk' || b.kind === 'leader' ? 1e-3 : 0),
        }))
        .sort((a, b) => b.depth - a.depth)
        .map((x) => x.b),
    [tree, view],
  );
  const budsOn = useMemo(() => {
    const on = new Map<number, BudSite[]>();
    // Leaf buds lie behind those that count.
    for (const bud of [...tree.buds].sort((a, b) => Number(a.floral) - Number(b.floral)))
      on.set(bud.branch, [...(on.get(bud.branch) ?? []), bud]);
    return on;
  }, [tree]);
  const falling = useMemo(
    () =>
      aim === null || aim.bud !== null || aim.branch === null
        ? null
        : fallsWith(tree, aim.branch, aim.leaveM, standing),
    [tree, aim, standing],
  );
  const aimAt =
    (branch: Branch) =>
    (e: React.PointerEvent | React.MouseEvent): Aim => ({
      branch: branch.id,
      bud: null,
      leaveM: leaveAt(branch, e, view, frame),
    });
  const foot = tree.branches[0]!;
  const union = project(placeAt(foot, UNION_M), view, frame);
  const girth = Math.max(2, (widthMm(foot, UNION_M) / 1000) * frame.scale);
  return (
    <>
      <ellipse cx={union.x} cy={union.y} rx={girth * 0.72} ry={girth * 0.62} className="tree-wood" />
      {order.map((branch) => {
        const left = standing.left.get(branch.id) ?? branch.lengthM;
        const fallen = (budsOn.get(branch.id) ?? []).filter((b) => b.floral && standing.fallen.has(b.id));
        if (left >= branch.lengthM && fallen.length === 0) return null;
        return (
          <g key={branch.id}>
            {left < branch.lengthM && (
              <path d={woodPath(branch, left, branch.lengthM, view, frame)} className="tree-gone" />
            )}
            <Buds buds={fallen} branch={branch} view={view} frame={frame} gone />
          </g>
        );
      })}
      {order.map((branch) => {
        const left = standing.left.get(branch.id) ?? branch.lengthM;
        const cut = left < branch.lengthM;
        const stub = cut && left <= 0.2 && branch.kind !== 'leader' && branch.kind !== 'trunk';
        const fall = falling?.get(branch.id);
        return (
          <g key={branch.id}>
            {left > 0 && (
              <path
                d={woodPath(branch, 0, left, view, frame)}
                className={
                  stub
                    ? 'tree-wood tree-stub'
                    : branch.state !== 'sound'
                      ? 'tree-wood tree-unsound'
                      : branch.ageYears <= 1 && branch.kind !== 'leader'
                        ? 'tree-wood tree-young'
                        : 'tree-wood'
                }
              />
            )}
            {fall !== undefined && left > fall && (
              <path d={woodPath(branch, fall, left, view, frame, 3)} className="tree-falling" />
            )}
            {onCut && left > 0.02 && branch.kind !== 'trunk' && (
              <path
                d={woodPath(branch, 0, left, view, frame, 12)}
                className="tree-hit"
                onPointerMove={(e) => {
                  if (!isTouch(e)) onAim?.(aimAt(branch)(e));
                }}
                onClick={(e) => {
                  onCut(aimAt(branch)(e), isTouch(e));
                }}
              />
            )}
            <Buds
              buds={(budsOn.get(branch.id) ?? []).filter((b) => !standing.fallen.has(b.id))}
              branch={branch}
              view={view}
              frame={frame}
              aims={(bud) => aim?.bud === bud.id || (falling !== null && falls(falling, bud.branch, bud.atM))}
              onAim={onAim}
              onCut={onCut}
            />
          </g>
        );
      })}
    </>
  );
});

/** The buds of a branch, each on its spur or shoot. */
function Buds({
  buds,
  branch,
  view,
  frame,
  gone = false,
  aims,
  onAim,
  onCut,
}: {
  buds: readonly BudSite[];
  branch: Branch;
  view: View;
  frame: Frame;
  /** Whether they fell. */
  gone?: boolean;
  /** Whether one would fall with what is pointed at. */
  aims?: (bud: BudSite) => boolean;
  onAim?: Props['onAim'];
  onCut?: Props['onCut'];
}) {
  const size = budSize(frame);
  const spurs: string[] = [];
  const drawn = buds.map((bud) => {
    const here: Aim = { branch: null, bud: bud.id, leaveM: 0 };
    const hand = bud.floral &&
      onCut && {
        onPointerMove: (e: React.PointerEvent) => {
          if (!isTouch(e)) onAim?.(here);
        },
        onClick: (e: React.MouseEvent) => {
          onCut(here, isTouch(e));
        },
      };
    if (bud.kind === 'fruitingShoot')
      return (
        <FruitingShoot
          key={bud.id}
          shoot={shootSpot(bud, branch, view, frame)}
          size={size}
          className={['tree-shoot', bud.fat ? '' : 'tree-shoot-thin', gone ? 'tree-shoot-gone' : ''].join(' ')}
          {...(hand || {})}
        />
      );
    const spot = budSpot(bud, branch, view, frame);
    if (Math.hypot(spot.x - spot.foot.x, spot.y - spot.foot.y) > 1.2) spurs.push(`M${round(spot.foot)}L${round(spot)}`);
    const long = size * (bud.floral ? (bud.fat ? 1 : 0.8) : 0.55);
    return (
      <ellipse
        key={bud.id}
        cx={spot.x.toFixed(1)}
        cy={spot.y.toFixed(1)}
        // Several flower buds on a spur stand as one round bunch.
        rx={long * (bud.count > 1 ? 0.95 : 0.64)}
        ry={long}
        transform={`rotate(${spot.turn.toFixed(0)} ${round(spot)})`}
        className={[
          gone ? 'tree-bud-gone' : 'tree-bud',
          !bud.floral ? 'tree-bud-leaf' : aims?.(bud) ? 'tree-bud-falling' : '',
          hand ? 'tree-bud-hit' : '',
        ].join(' ')}
        {...(hand || {})}
      />
    );
  });
  return (
    <>
      {spurs.length > 0 && <path d={spurs.join('')} className={gone ? 'tree-spur tree-spur-gone' : 'tree-spur'} />}
      {drawn}
    </>
  );
}

/** A one-year shoot that bears: a thin shoot with its row of buds. */
function FruitingShoot({
  shoot: { foot, bend, tip, buds },
  size,
  className,
  ...hand
}: {
  shoot: DrawnShoot;
  size: number;
  className: string;
  onPointerMove?: (e: React.PointerEvent) => void;
  onClick?: (e: React.MouseEvent) => void;
}) {
  return (
    <g className={className} {...hand}>
      <path d={`M${round(foot)}Q${round(bend)} ${round(tip)}`} />
      {buds.map((b, i) => (
        <circle key={i} cx={b.x.toFixed(1)} cy={b.y.toFixed(1)} r={size * 0.42} />
      ))}
    </g>
  );
}

/** Whether a finger did it; a click tells that in all browsers of this decade. */
const isTouch = (e: React.MouseEvent) => (e.nativeEvent as PointerEvent).pointerType === 'touch';

const round = ({ x, y }: { x: number; y: number }) => `${x.toFixed(1)} ${y.toFixed(1)}`;

/** How much a pointer leaves of a branch: near its base it comes off, further out it is shortened there. */
function leaveAt(branch: Branch, e: React.PointerEvent | React.MouseEvent, view: View, frame: Frame): number {
  const box = (e.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect();
  const [x, y] = [e.clientX - box.left, e.clientY - box.top];
  let [best, nearest] = [0, Infinity];
  let run = 0;
  for (let i = 1; i < branch.path.length; i++) {
    const [a, b] = [project(branch.path[i - 1]!, view, frame), project(branch.path[i]!, view, frame)];
    const piece = branch.lengthM / (branch.path.length - 1);
    const length = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
    const t = length > 0 ? Math.min(1, Math.max(0, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length)) : 0;
    const off = Math.hypot(x - (a.x + (b.x - a.x) * t), y - (a.y + (b.y - a.y) * t));
    if (off < nearest) [nearest, best] = [off, run + piece * t];
    run += piece;
  }
  const nearBase = best < Math.min(0.35 * branch.lengthM, 0.25);
  return branch.kind === 'leader' ? best : nearBase ? -1 : best;
}
