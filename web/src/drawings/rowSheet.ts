/** Where the sheet lies in its window: pixels of a cell, and the pixel of tree 1 of the first row. */
export interface SheetView {
  cell: number;
  x: number;
  y: number;
}

const smallest = 1.5;
const largest = 40;

/** The whole sheet in the window. */
export function fitted(width: number, height: number, trees: number, rows: number): SheetView {
  const cell = Math.min(
    largest / 2,
    Math.max(smallest, Math.min(width / Math.max(1, trees), height / Math.max(1, rows))),
  );
  return { cell, x: Math.max(0, (width - cell * trees) / 2), y: Math.max(0, (height - cell * rows) / 2) };
}

/** Larger or smaller around a point that stays where it is. */
export function zoomed(view: SheetView, factor: number, atX: number, atY: number): SheetView {
  const cell = Math.min(largest, Math.max(smallest, view.cell * factor));
  const by = cell / view.cell;
  return { cell, x: atX - (atX - view.x) * by, y: atY - (atY - view.y) * by };
}

/** The cell under a point, in columns of trees and lines of rows, both from 0; may lie outside. */
export const cellAt = (view: SheetView, x: number, y: number) => ({
  tree: Math.floor((x - view.x) / view.cell),
  row: Math.floor((y - view.y) / view.cell),
});

/** Steps of a value between the ends of its scale, from 0. */
export function stepOf(value: number, low: number, high: number, steps: number): number {
  if (high <= low) return 0;
  return Math.min(steps - 1, Math.max(0, Math.floor(((value - low) / (high - low)) * steps)));
}

/** Ends of a scale that a few odd trees do not stretch: the 2nd and 98th hundredth. */
export function scaleOf(values: readonly number[]): [number, number] {
  if (values.length === 0) return [0, 1];
  const ordered = [...values].sort((a, b) => a - b);
  const at = (share: number) => ordered[Math.round(share * (ordered.length - 1))]!;
  return [at(0.02), at(0.98)];
}
