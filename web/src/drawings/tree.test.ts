import { describe, expect, it } from 'vitest';
import type { BenchCut, FruitTree, Branch } from '../api/client';
import {
  budsFalling,
  fallsWith,
  frameOf,
  heightFor,
  placeAt,
  project,
  scaleMarks,
  standingAfter,
  stretch,
  widthMm,
  woodPath,
} from './tree';

const place = (alongM: number, acrossM: number, heightM: number) => ({ alongM, acrossM, heightM });
const limb = {
  id: 1,
  parent: 0,
  atM: 1,
  kind: 'limb',
  diameterMm: 20,
  tipMm: 10,
  azimuthDeg: 0,
  riseDeg: 0,
  ageYears: 3,
  state: 'sound',
  lengthM: 1,
  path: [place(0, 0, 1), place(0.5, 0, 1), place(0.5, 0, 1.5)],
} as unknown as Branch;
const tree = {
  place: { rowSpacingM: 3.5, treeSpacingM: 1, heightLimitM: 3, leaf: 8 },
  trunkMm: 50,
  branches: [limb],
  buds: [],
} as unknown as FruitTree;
const cut = (branch: number, fromM: number, buds: number[]) =>
  ({ wood: [{ branch, fromM }], buds }) as unknown as BenchCut;

describe('the drawing of a tree', () => {
  it('keeps the same scale along and across the row', () => {
    const frame = frameOf(tree, 800, 600, 50, 40);
    const [along, across] = [project(place(1, 0, 1), 'along', frame), project(place(0, 1, 1), 'across', frame)];
    expect(along).toEqual(across);
    expect(along.x - frame.foot.x).toBeCloseTo(frame.scale);
    expect(frame.foot.y - along.y).toBeCloseTo(frame.scale);
  });

  it('is as high as the tree needs at its full width, and no higher than there is room', () => {
    // The limb reaches .5 m to the side and 1.5 m up: 400 − 40 pixels are .5 m, and 1.62 m with the room over it.
    const height = heightFor(tree, 800, 2000, 50, 40);
    expect(height).toBe(Math.ceil(50 + 18 + (360 / 0.5) * 1.62));
    expect(frameOf(tree, 800, height, 50, 40).scale).toBeCloseTo(360 / 0.5, 0);
    expect(heightFor(tree, 800, 300, 50, 40)).toBe(300);
  });

  it('foreshortens what points at the viewer', () => {
    const frame = frameOf(tree, 800, 600, 50, 40);
    expect(project(place(0.3, 2, 1), 'along', frame).x).toBeCloseTo(project(place(0.3, -2, 1), 'along', frame).x);
  });

  it('follows a bend and cuts a stretch where it is asked to', () => {
    expect(placeAt(limb, 0.75)).toEqual(place(0.5, 0, 1.25));
    expect(stretch(limb, 0.25, 0.75).map((p) => p.at)).toEqual([0.25, 0.5, 0.75]);
    expect(stretch(limb, 0, 1)).toHaveLength(3);
  });

  it('draws thicker wood thicker and thins it to its tip', () => {
    expect(widthMm(limb, 0.5)).toBe(15);
    expect(woodPath(limb, 0, 1, 'along', frameOf(tree, 800, 600, 50, 40))).toMatch(/^M.*Z$/);
    expect(woodPath(limb, 1, 1, 'along', frameOf(tree, 800, 600, 50, 40))).toBe('');
  });

  it('knows what stands after cuts, and again after undoing one', () => {
    const cuts = [cut(1, 0.5, [3, 4]), cut(1, 0.1, [1, 2]), cut(2, 0, [7])];
    expect([...standingAfter(cuts).fallen]).toEqual([3, 4, 1, 2, 7]);
    expect(standingAfter(cuts).left.get(1)).toBe(0.1);
    expect(standingAfter(cuts.slice(0, 1)).left.get(1)).toBe(0.5);
    expect(standingAfter([]).fallen.size).toBe(0);
  });

  it('knows what falls with a limb: its own wood beyond the cut, and all that grows there', () => {
    const arm = { ...limb, id: 2, parent: 1, atM: 0.6, kind: 'arm' } as Branch;
    const bud = (id: number, branch: number, atM: number, floral = true, count = 1) => ({
      id,
      branch,
      atM,
      side: 'upper',
      kind: 'spur',
      fat: true,
      floral,
      count,
    });
    const forked = {
      ...tree,
      branches: [{ ...limb, id: 0, parent: null, kind: 'leader' }, limb, arm],
      buds: [bud(0, 1, 0.2), bud(1, 1, 0.7), bud(2, 2, 0.1), bud(3, 2, 0.5, false), bud(4, 1, 0.9, true, 6)],
    } as unknown as FruitTree;
    expect([...fallsWith(forked, 1, 0.5, standingAfter([]))]).toEqual([
      [1, 0.5],
      [2, 0],
    ]);
    expect(budsFalling(forked, 1, 0.5, standingAfter([]))).toBe(8);
    expect(budsFalling(forked, 1, 0.65, standingAfter([]))).toBe(7);
    expect(budsFalling(forked, 1, 0.5, standingAfter([cut(1, 1, [1])]))).toBe(7);
  });

  // The words of a mark stand above it: at 3.5 m they need 16 of the 20 pixels left.
  it('marks whole feet for who reads feet, half or whole metres for others', () => {
    const frame = { scale: 100, foot: { x: 0, y: 370 } };
    const feet = scaleMarks(frame, 'us').map((m) => `${m.told} ${m.unit}`);
    expect(feet).toEqual(['2 ft', '4 ft', '6 ft', '8 ft', '10 ft']);
    // NIST SP 811: 1 ft = 0.3048 m.
    expect(scaleMarks(frame, 'us')[0]!.at).toBeCloseTo(0.6096, 9);
    expect(scaleMarks(frame, 'metric').map((m) => m.told)).toEqual([0.5, 1, 1.5, 2, 2.5, 3, 3.5]);
  });
});
