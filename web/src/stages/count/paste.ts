import { countColumns, emptyRow, isEmptyRow, type CountRow } from '../../planting/sections';

/** Lays cells copied from a spreadsheet over the sheet, from one cell on; null when the text is a single cell. */
export function paste(rows: CountRow[], text: string, fromRow: number, fromColumn: number): CountRow[] | null {
  const cells = text.replace(/\r/g, '').replace(/\n$/, '').split('\n').map((line) => line.split('\t'));
  if (cells.length === 1 && cells[0]!.length === 1) return null;
  const next = [...rows];
  cells.forEach((line, r) => {
    const row = { ...(next[fromRow + r] ?? emptyRow) };
    line.forEach((cell, c) => {
      const column = countColumns[fromColumn + c];
      if (column) row[column] = cell.trim();
    });
    next[fromRow + r] = row;
  });
  return next.filter((row) => !isEmptyRow(row));
}
