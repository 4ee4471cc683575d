import { memo, useMemo } from 'react';
import type { FruitTree } from '../api/client';
import { useReading } from '../words/useReading';
import { project, type Frame, type Spot, type Standing, type View } from './tree';
import { markedCuts, piecesOf, tagged, type DrawnCut, type Marked, type Room } from './treeTags';

/** Half the length of the stroke a cut is marked with. */
const STROKE = 5;
/** Room a pointer has to find it. */
const REACH = 9;
/** Half the width of a letter beside a bracket. */
const LETTER = 3.4;
/** How far from the edge a bracket stands, and from the one before. */
const EDGE = 24;

interface Props {
  tree: FruitTree;
  made: readonly DrawnCut[];
  ahead: readonly DrawnCut[];
  standing: Standing;
  view: View;
  frame: Frame;
  /** Whether the last cut made is the one spoken of. */
  now: boolean;
  /** Whether a pointer cuts, so that nothing may stand in its way. */
  cutting: boolean;
  room: Room;
}

/** The cuts on a tree: numbers at the big ones and the one at hand, strokes at the others, brackets for many alike. */
export const TreeTags = memo(function TreeTags(props: Props) {
  const { tree, made, ahead, standing, view, frame, now, cutting, room } = props;
  const { local } = useReading();
  const current = now ? (made.at(-1)?.number ?? null) : null;
  const { tags, marks, brackets } = useMemo(
    () => tagged(markedCuts(tree, made, ahead, view, frame), current, piecesOf(tree, standing, view, frame), room),
    [tree, made, ahead, current, standing, view, frame, room],
  );
  return (
    <g className={cutting ? 'tree-cutting' : undefined}>
      {made.map((cut) => cut.bud !== null && <Nip key={cut.bud} at={project(cut.at, view, frame)} />)}
      {brackets.map((b, i) => {
        const x = room.width - EDGE - i * EDGE;
        const [top, bottom] = [Math.max(8, b.top - 4), b.bottom + 4];
        const text = `${local(b.step)}, ${b.count}`;
        // Longer than the bracket, it stays on the drawing all the same.
        const half = Math.min(room.height / 2, text.length * LETTER);
        const middle = Math.max(half, Math.min(room.height - half, (top + bottom) / 2));
        return (
          <g key={i} className="tree-bracket">
            <path d={`M${x - 6} ${top}h6V${bottom}h-6`} />
            <text transform={`translate(${x + 14} ${middle}) rotate(-90)`} textAnchor="middle">
              {text}
            </text>
          </g>
        );
      })}
      {marks.map((m, i) => (
        <g key={i} className={m.come ? 'tree-mark tree-mark-ahead' : 'tree-mark'}>
          <Stroke mark={m} />
          <circle cx={m.place.x} cy={m.place.y} r={REACH} />
          {m.cut.number !== null && (
            <NumberAt
              number={m.cut.number}
              spot={{ x: m.place.x, y: m.place.y - 20 }}
              size={room.tag}
              kind="tree-tag"
            />
          )}
        </g>
      ))}
      {tags.map((tag, i) => (
        <g key={i}>
          <Stroke mark={tag} />
          <NumberAt
            number={tag.cut.number!}
            from={tag.place}
            spot={tag.spot}
            size={tag.now ? room.tag + 3 : room.tag}
            kind={tag.come ? 'tree-tag tree-tag-ahead' : tag.now ? 'tree-tag tree-tag-now' : 'tree-tag'}
          />
        </g>
      ))}
    </g>
  );
});

/** Where a single bud was taken off. */
function Nip({ at }: { at: Spot }) {
  return <path d={`M${at.x - 3} ${at.y - 3}l6 6m0 -6l-6 6`} className="tree-nip" />;
}

/** A stroke across the wood where it is cut. */
function Stroke({ mark: { place, along, thickMm, come } }: { mark: Marked }) {
  if (thickMm === 0) return null;
  return (
    <g className={come ? 'tree-mark tree-mark-ahead' : 'tree-mark'}>
      <line
        x1={place.x - along.y * STROKE}
        y1={place.y + along.x * STROKE}
        x2={place.x + along.y * STROKE}
        y2={place.y - along.x * STROKE}
      />
    </g>
  );
}

/** A number in its circle, with a line to its place. */
function NumberAt({
  number,
  from,
  spot,
  size,
  kind,
}: {
  number: number;
  from?: Spot;
  spot: Spot;
  size: number;
  kind: string;
}) {
  return (
    <g className={kind}>
      {from && <line x1={from.x} y1={from.y} x2={spot.x} y2={spot.y} />}
      <circle cx={spot.x} cy={spot.y} r={size} />
      <text x={spot.x} y={spot.y} dy="0.36em" textAnchor="middle">
        {number}
      </text>
    </g>
  );
}
