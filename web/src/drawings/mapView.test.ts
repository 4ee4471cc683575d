import { describe, expect, it } from 'vitest';
import type { MapBlock } from '../api/client';
import { middleOf, ringsPath, scaleBar, windowOf, zoomed } from './mapView';

const square = [
  { x: 0, y: 0 },
  { x: 100, y: 0 },
  { x: 100, y: 50 },
  { x: 0, y: 50 },
];
const block = { rings: [square], lines: [] } as unknown as MapBlock;

describe('the map', () => {
  it('shows all blocks, in the proportions of the drawing', () => {
    const shown = windowOf([block], 1.6);
    expect(shown.width / shown.height).toBeCloseTo(1.6);
    expect(shown.x).toBeLessThan(0);
    expect(shown.x + shown.width).toBeGreaterThan(100);
    expect(shown.y + shown.height / 2).toBeCloseTo(25);
  });

  it('zooms around the place pointed at', () => {
    const at = { x: 30, y: 10 };
    const before = { x: 0, y: 0, width: 100, height: 50 };
    const after = zoomed(before, 0.5, at);
    expect((at.x - after.x) / after.width).toBeCloseTo((at.x - before.x) / before.width);
    expect(after.width).toBe(50);
  });

  it('draws north up', () => expect(ringsPath([square])).toBe('M0 0L100 0L100 -50L0 -50Z'));
  it('names a block in its middle', () => expect(middleOf(square)).toEqual({ x: 50, y: 25 }));
  it.each([
    [1000, 200],
    [430, 50],
    [60, 10],
  ])('has a round scale for %d m', (width, bar) => expect(scaleBar(width)).toBe(bar));
});
