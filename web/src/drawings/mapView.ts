import type { MapBlock, MapPoint } from '../api/client';

/** The part of the ground that is drawn, in metres; y grows to the north. */
export interface MapWindow {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The window that holds all blocks with a margin, in the proportions of the drawing. */
export function windowOf(blocks: MapBlock[], ratio: number): MapWindow {
  const points = blocks.flatMap((b) => [...b.rings, ...b.lines]).flat();
  if (points.length === 0) return { x: 0, y: 0, width: ratio, height: 1 };
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const width = Math.max((right - left) * 1.08, (high - low) * 1.08 * ratio, 50);
  const height = width / ratio;
  return { x: (left + right - width) / 2, y: (low + high - height) / 2, width, height };
}

/** The window made smaller or larger around a place that stays where it is. */
export function zoomed(window: MapWindow, factor: number, at: MapPoint): MapWindow {
  return {
    x: at.x + (window.x - at.x) * factor,
    y: at.y + (window.y - at.y) * factor,
    width: window.width * factor,
    height: window.height * factor,
  };
}

/** A closed outline as a path; the drawing's y grows downwards. */
export function ringsPath(rings: MapPoint[][]): string {
  return rings.map((ring) => `M${ring.map((p) => `${p.x} ${-p.y}`).join('L')}Z`).join('');
}

/** Lines as a path. */
export function linesPath(lines: MapPoint[][]): string {
  return lines.map((line) => `M${line.map((p) => `${p.x} ${-p.y}`).join('L')}`).join('');
}

/** Where a block's name goes: the middle of its first ring. */
export function middleOf(ring: MapPoint[]): MapPoint {
  return { x: ring.reduce((s, p) => s + p.x, 0) / ring.length, y: ring.reduce((s, p) => s + p.y, 0) / ring.length };
}

/** A round length for a scale bar, at most a fifth of the width. */
export function scaleBar(width: number): number {
  const most = width / 5;
  const power = 10 ** Math.floor(Math.log10(most));
  return [5, 2, 1].map((n) => n * power).find((n) => n <= most) ?? power;
}
