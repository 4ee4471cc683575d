import { useMemo } from 'react';
import type { FruitTree } from '../api/client';
import { frameOf, placeAt, project, scaleMarks, standingAfter, type View } from './tree';
import { TreeTags } from './TreeTags';
import type { DrawnCut } from './treeTags';
import { TreeWood, type Aim } from './TreeWood';
import type { UnitSystem } from '../units/system';
import { useReading } from '../words/useReading';
import './tree.css';

export type { Aim };

interface Props {
  tree: FruitTree;
  view: View;
  width: number;
  height: number;
  /** Cuts made so far, ghosted and tagged. */
  made: readonly DrawnCut[];
  /** Cuts to come, tagged in outline. */
  ahead?: readonly DrawnCut[];
  /** Whether the last cut made is the one spoken of. */
  now?: boolean;
  wires?: readonly number[];
  /** Height leaders are cut back to; no line without it. */
  heightLimitM?: number | null;
  heightLimitText: string;
  /** Word for the alley, seen at both sides from the end of the row; none without it. */
  alleyText?: string;
  /** Units of the scale, where they are not the reader's. */
  units?: UnitSystem;
  /** What would fall if the piece under the pointer were cut. */
  aim?: Aim | null;
  onAim?: (aim: Aim | null) => void;
  /** Cuts; whether a finger did it. */
  onCut?: (aim: Aim, touched: boolean) => void;
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

/** Half the size of a number. */
const TAG = 11;
/** Where the words at the height limit begin: beside the scale. */
const LIMIT_X = 52;
const RING = 14;
/** Out on the wood, clear of what it grows on, where a ring stands. */
const RING_M = 0.08;
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
  alleyText,
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
  const limitWidth = heightLimitText.length * 7.2;
  const limitY = heightLimitM === null ? 0 : groundY - heightLimitM * frame.scale;
  const room = useMemo(
    () => ({
      width,
      height,
      ground: groundY,
      tag: TAG,
      words: limitY > 8 ? [{ x: LIMIT_X, y: limitY - 20, width: limitWidth, height: 18 }] : [],
    }),
    [width, height, groundY, limitY, limitWidth],
  );
  return (
    <svg
      className="tree"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      {...(heightLimitText === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': heightLimitText })}
      onPointerLeave={(e) => {
        if (e.pointerType !== 'touch') onAim?.(null);
      }}
    >
      <rect x={0} y={groundY} width={width} height={height - groundY} className="tree-ground" />
      {alleyText && view === 'across' && (
        <g className="tree-alley">
          <text x={12} y={groundY + 15}>
            ← {alleyText}
          </text>
          <text x={width - 12} y={groundY + 15} textAnchor="end">
            {alleyText} →
          </text>
        </g>
      )}
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
          <text x={LIMIT_X} y={limitY - 6}>
            {heightLimitText}
          </text>
        </g>
      )}
      <TreeWood tree={tree} view={view} frame={frame} standing={standing} aim={aim} onAim={onAim} onCut={onCut} />
      {spoken.map((id) => {
        const branch = tree.branches[id]!;
        const at = project(placeAt(branch, Math.min(standing.left.get(id) ?? RING_M, RING_M)), view, frame);
        return <circle key={id} cx={at.x} cy={at.y} r={RING} className="tree-spoken" />;
      })}
      {tags && (
        <TreeTags
          tree={tree}
          made={made}
          ahead={ahead}
          standing={standing}
          view={view}
          frame={frame}
          now={now}
          cutting={onCut !== undefined}
          room={room}
        />
      )}
    </svg>
  );
}
