import { describe, expect, it } from 'vitest';
import type { FruitTree } from '../api/client';
import { frameOf, project, standingAfter } from './tree';
import { markedCuts, piecesOf, tagged, type DrawnCut, type Room } from './treeTags';

const place = (alongM: number, heightM: number) => ({ alongM, acrossM: 0, heightM });
const wood = (id: number, parent: number | null, kind: string, atM: number, mm: number, path: object[]) => ({
  id,
  parent,
  kind,
  atM,
  diameterMm: mm,
  tipMm: mm * 0.4,
  azimuthDeg: 0,
  riseDeg: 0,
  ageYears: 3,
  state: 'sound',
  lengthM: kind === 'leader' ? 3 : 0.8,
  path,
});
/** A leader with twenty limbs, left and right, each thinner than the one below. */
const tree = {
  place: { rowSpacingM: 3.5, treeSpacingM: 1, heightLimitM: 3, leaf: 8 },
  trunkMm: 50,
  branches: [
    wood(0, null, 'leader', 0, 50, [place(0, 0), place(0, 3)]),
    ...Array.from({ length: 20 }, (_, i) => {
      const [at, side] = [0.5 + i * 0.12, i % 2 === 0 ? 1 : -1];
      return wood(i + 1, 0, 'limb', at, 24 - i, [place(0, at), place(0.8 * side, at)]);
    }),
  ],
  buds: [],
} as unknown as FruitTree;
const cut = (number: number, branch: number, stepId = `step-${number}`): DrawnCut => ({
  number,
  bud: null,
  at: tree.branches[branch]!.path[0]!,
  wood: [{ branch, fromM: 0 }],
  buds: [],
  stepId,
  step: { en: stepId, es: stepId },
});
const [width, height] = [380, 400];
const frame = frameOf(tree, width, height, 20, 20);
const room: Room = { width, height, ground: frame.foot.y, tag: 11, words: [{ x: 52, y: 30, width: 110, height: 18 }] };
const lay = (cuts: DrawnCut[], current: number | null = null) =>
  tagged(
    markedCuts(tree, cuts, [], 'along', frame),
    current,
    piecesOf(tree, standingAfter(cuts), 'along', frame),
    room,
  );

describe('numbers at cuts', () => {
  const all = lay(Array.from({ length: 20 }, (_, i) => cut(i + 1, i + 1)));

  it('stand on nothing: not on each other, the leader, words or the ground, and inside', () => {
    expect(all.tags.length).toBeGreaterThanOrEqual(9);
    for (const [i, a] of all.tags.entries()) {
      for (const b of all.tags.slice(i + 1))
        expect(Math.hypot(a.spot.x - b.spot.x, a.spot.y - b.spot.y)).toBeGreaterThanOrEqual(22);
      expect(Math.abs(a.spot.x - frame.foot.x)).toBeGreaterThan(11);
      expect(a.spot.y).toBeLessThan(frame.foot.y - 11);
      expect(a.spot.y).toBeGreaterThan(11);
      expect(Math.abs(a.spot.x - width / 2)).toBeLessThan(width / 2 - 11);
      expect(a.spot.x > 41 && a.spot.x < 173 && a.spot.y > 19 && a.spot.y < 59).toBe(false);
    }
  });

  it('are those of the thickest wood; the others are strokes, and none is lost', () => {
    const numbers = all.tags.map((x) => x.cut.number!);
    const strokes = all.marks.map((x) => x.cut.number!);
    expect(strokes.length).toBeGreaterThan(0);
    expect([...numbers, ...strokes].sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i + 1));
    // A wide drawing has room for all.
    expect(Math.max(...numbers)).toBeLessThan(Math.max(...strokes));
  });

  it('always tell the cut at hand', () => {
    const told = lay(
      Array.from({ length: 20 }, (_, i) => cut(i + 1, i + 1)),
      20,
    );
    expect(told.tags.filter((x) => x.now).map((x) => x.cut.number)).toEqual([20]);
  });

  it('give way to a bracket where a step cuts many', () => {
    const many = lay([cut(1, 1), ...Array.from({ length: 12 }, (_, i) => cut(i + 2, i + 5, 'short'))]);
    expect(many.brackets).toEqual([
      {
        step: { en: 'short', es: 'short' },
        count: 12,
        top: project(place(0, 0.5 + 15 * 0.12), 'along', frame).y,
        bottom: project(place(0, 0.5 + 4 * 0.12), 'along', frame).y,
      },
    ]);
    expect(many.tags.map((x) => x.cut.number)).toEqual([1]);
  });
});
