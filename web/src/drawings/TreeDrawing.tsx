import { memo, useMemo } from 'react';
import type { CardDrawnCut, FruitTree, Branch } from '../api/client';
import {
  apart,
  budSpot,
  depthOf,
  falls,
  fallsWith,
  frameOf,
  placeAt,
  project,
  scaleMarks,
  standingAfter,
  widthMm,
  woodPath,
  type Frame,
  type Standing,
  type View,
} from './tree';
import type { UnitSystem } from '../units/system';
import { useReading } from '../words/useReading';
import './tree.css';

export interface Aim {
  branch: number | null;
  bud: number | null;
  leaveM: number;
}

interface Props {
  tree: FruitTree;
  view: View;
  width: number;
  height: number;
  /** Cuts made so far, ghosted and tagged. */
  made: readonly CardDrawnCut[];
  /** Cuts to come, tagged in outline. */
  ahead?: readonly CardDrawnCut[];
  /** Whether the last cut made is the one spoken of. */
  now?: boolean;
  wires?: readonly number[];
  /** Height leaders are cut back to; no line without it. */
  heightLimitM?: number | null;
  heightLimitText: string;
  /** Units of the scale, where they are not the reader's. */
  units?: UnitSystem;
  /** What would fall if the piece under the pointer were cut. */
  aim?: Aim | null;
  onAim?: (aim: Aim | null) => void;
  onCut?: (aim: Aim) => void;
  /** Ground drawn below the foot. */
  ground?: number;
  /** Pixels kept free at the sides. */
  margin?: number;
  /** Whether the cuts are numbered. */
  tags?: boolean;
  /** Wood that is spoken of, ringed where it begins or was cut. */
  spoken?: readonly number[];
  /** A tree beside it, to be drawn to the same scale. */
  like?: FruitTree | undefined;
  /** Whether heights are marked. */
  marks?: boolean;
}

const TAG = 11;
const RING = 14;
/** Out on the wood, clear of what it grows on, where a ring stands. */
const RING_M = 0.08;
/** Height at which the graft union is drawn. */
const UNION_M = 0.12;

/** A tree to scale: tapered wood, buds on their side, what was cut pale, each cut numbered at its place. */
export function TreeDrawing({
  tree,
  view,
  width,
  height,
  made,
  ahead = [],
  now = true,
  wires = [],
  heightLimitM = null,
  heightLimitText,
  units,
  aim = null,
  onAim,
  onCut,
  ground = 52,
  margin = 56,
  tags = true,
  spoken = [],
  like,
  marks = true,
}: Props) {
  const { system, number } = useReading();
  const frame = useMemo(
    () => frameOf(like ?? tree, width, height, ground, margin, heightLimitM ?? 0),
    [tree, like, width, height, ground, margin, heightLimitM],
  );
  const standing = useMemo(() => standingAfter(made), [made]);
  const groundY = frame.foot.y;
  const limitY = heightLimitM === null ? 0 : groundY - heightLimitM * frame.scale;
  return (
    <svg
      className="tree"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      {...(heightLimitText === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': heightLimitText })}
      onPointerLeave={() => onAim?.(null)}
    >
      <rect x={0} y={groundY} width={width} height={height - groundY} className="tree-ground" />
      {(marks ? scaleMarks(frame, units ?? system) : []).map((m) => (
        <g key={m.at} className="tree-scale">
          <line x1={0} x2={width} y1={groundY - m.at * frame.scale} y2={groundY - m.at * frame.scale} />
          <text x={10} y={groundY - m.at * frame.scale - 4}>
            {number(m.told)} {m.unit}
          </text>
        </g>
      ))}
      {wires.map((w) => (
        <line
          key={w}
          className="tree-wire"
          x1={0}
          x2={width}
          y1={groundY - w * frame.scale}
          y2={groundY - w * frame.scale}
        />
      ))}
      {limitY > 8 && (
        <g className="tree-limit">
          <line x1={0} x2={width} y1={limitY} y2={limitY} />
          <text x={width - 12} y={limitY - 6} textAnchor="end">
            {heightLimitText}
          </text>
        </g>
      )}
      <Wood tree={tree} view={view} frame={frame} standing={standing} aim={aim} onAim={onAim} onCut={onCut} />
      {spoken.map((id) => {
        const branch = tree.branches[id]!;
        const at = project(placeAt(branch, Math.min(standing.left.get(id) ?? RING_M, RING_M)), view, frame);
        return <circle key={id} cx={at.x} cy={at.y} r={RING} className="tree-spoken" />;
      })}
      {tags && <Tags made={made} ahead={ahead} view={view} frame={frame} now={now} />}
    </svg>
  );
}

const Wood = memo(function Wood({
  tree,
  view,
  frame,
  standing,
  aim,
  onAim,
  onCut,
}: {
  tree: FruitTree;
  view: View;
  frame: Frame;
  standing: Standing;
  aim: Aim | null;
  onAim: Props['onAim'];
  onCut: Props['onCut'];
}) {
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
    const on = new Map<number, typeof tree.buds>();
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
  // On a small drawing buds would hide the tree.
  const size = Math.min(1.1, Math.max(0.42, frame.scale / 185));
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
      <ellipse cx={union.x} cy={union.y} rx={girth * 0.78} ry={girth * 0.7} className="tree-wood" />
      {order.map((branch) => {
        const left = standing.left.get(branch.id) ?? branch.lengthM;
        const gone = left < branch.lengthM;
        return (
          gone && <path key={branch.id} d={woodPath(branch, left, branch.lengthM, view, frame)} className="tree-gone" />
        );
      })}
      {/* A card's drawing leaves out the buds it does not count, so a bud's number is no place in the list. */}
      {tree.buds
        .filter((bud) => bud.floral && standing.fallen.has(bud.id))
        .map((bud) => {
          const spot = budSpot(bud, tree.branches[bud.branch]!, view, frame);
          const turned = `rotate(${spot.turn} ${spot.x} ${spot.y})`;
          return (
            <ellipse
              key={bud.id}
              cx={spot.x}
              cy={spot.y}
              rx={3 * size}
              ry={4.4 * size}
              transform={turned}
              className="tree-bud-gone"
            />
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
                d={woodPath(branch, 0, left, view, frame, branch.kind === 'shoot' ? 0.9 : 1.4)}
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
                onPointerMove={(e) => onAim?.(aimAt(branch)(e))}
                onClick={(e) => {
                  onCut(aimAt(branch)(e));
                }}
              />
            )}
            {(budsOn.get(branch.id) ?? []).map((bud) => {
              if (standing.fallen.has(bud.id)) return null;
              const spot = budSpot(bud, branch, view, frame);
              if (bud.kind === 'fruitingShoot')
                return (
                  <FruitingShoot
                    key={bud.id}
                    spot={spot}
                    id={bud.id}
                    fat={bud.fat}
                    scale={frame.scale}
                    onClick={
                      onCut &&
                      (() => {
                        onCut({ branch: null, bud: bud.id, leaveM: 0 });
                      })
                    }
                  />
                );
              const big = bud.floral ? size : 0.55 * size;
              const here: Aim = { branch: null, bud: bud.id, leaveM: 0 };
              return (
                <ellipse
                  key={bud.id}
                  cx={spot.x}
                  cy={spot.y}
                  rx={(bud.fat ? 3.3 : 2.3) * big}
                  ry={(bud.fat ? 5 : 4) * big}
                  transform={`rotate(${spot.turn} ${spot.x} ${spot.y})`}
                  className={
                    !bud.floral
                      ? 'tree-bud tree-bud-leaf'
                      : aim?.bud === bud.id || (falling !== null && falls(falling, bud.branch, bud.atM))
                        ? 'tree-bud tree-bud-falling'
                        : 'tree-bud'
                  }
                  {...(bud.floral && {
                    onPointerMove:
                      onAim &&
                      (() => {
                        onAim(here);
                      }),
                    onClick:
                      onCut &&
                      (() => {
                        onCut(here);
                      }),
                  })}
                />
              );
            })}
          </g>
        );
      })}
    </>
  );
});

/** A one-year shoot that bears: a thin shoot with its row of buds, leaning out where it grows. */
function FruitingShoot({
  spot,
  id,
  fat,
  scale,
  onClick,
}: {
  spot: { x: number; y: number; turn: number };
  id: number;
  fat: boolean;
  scale: number;
  onClick: (() => void) | undefined;
}) {
  const length = (fat ? 0.3 + (id % 5) * 0.03 : 0.2) * scale;
  const turn = spot.turn - 90 + ((id * 37) % 50) - 25;
  return (
    <g
      transform={`translate(${spot.x} ${spot.y}) rotate(${turn})`}
      className={fat ? 'tree-shoot' : 'tree-shoot tree-shoot-thin'}
      onClick={onClick}
    >
      <path d={`M0 0Q${length / 2} ${length * 0.06} ${length} 0`} />
      {[0.3, 0.5, 0.7, 0.88].map((at, i) => (
        <ellipse key={at} cx={length * at} cy={i % 2 === 0 ? -2 : 2.4} rx={2.2} ry={1.5} />
      ))}
    </g>
  );
}

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

const Tags = memo(function Tags({
  made,
  ahead,
  view,
  frame,
  now,
}: {
  made: readonly CardDrawnCut[];
  ahead: readonly CardDrawnCut[];
  view: View;
  frame: Frame;
  now: boolean;
}) {
  const current = now ? made.at(-1)?.number : undefined;
  const all = [...made.map((cut) => ({ cut, come: false })), ...ahead.map((cut) => ({ cut, come: true }))];
  // A single bud is marked where it sat; a number would hide the tree.
  const wood = all.filter((x) => x.cut.number !== null && (x.cut.bud === null || x.cut.number === current));
  const at = wood.map((x) => project(x.cut.at, view, frame));
  const spots = apart(
    at.map((p) => ({ x: p.x + (p.x >= frame.foot.x ? 15 : -15), y: p.y - 13 })),
    TAG * 2 + 1,
  );
  return (
    <>
      {all
        .filter((x) => x.cut.bud !== null && !x.come)
        .map(({ cut }) => {
          const p = project(cut.at, view, frame);
          return <path key={cut.bud} d={`M${p.x - 3} ${p.y - 3}l6 6m0 -6l-6 6`} className="tree-nip" />;
        })}
      {wood.map(({ cut, come }, i) => {
        const [spot, place] = [spots[i]!, at[i]!];
        const big = cut.number === current && !come;
        return (
          <g key={i} className={come ? 'tree-tag tree-tag-ahead' : big ? 'tree-tag tree-tag-now' : 'tree-tag'}>
            <line x1={place.x} y1={place.y} x2={spot.x} y2={spot.y} />
            <circle cx={spot.x} cy={spot.y} r={big ? TAG + 3 : TAG} />
            <text x={spot.x} y={spot.y} dy="0.36em" textAnchor="middle">
              {cut.number}
            </text>
          </g>
        );
      })}
    </>
  );
});
