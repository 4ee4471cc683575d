/** One line of a sheet as typed: a text per column. */
export type Line = Record<string, string>;

export const isEmptyLine = (line: Line, columns: readonly string[]) =>
  columns.every((c) => (line[c] ?? '').trim() === '');

/** Lays cells copied from a spreadsheet over a sheet, from one cell on; null when the text is a single cell. */
export function paste(
  lines: Line[],
  columns: readonly string[],
  text: string,
  fromLine: number,
  fromColumn: number,
): Line[] | null {
  const cells = text
    .replace(/\r/g, '')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t'));
  if (cells.length === 1 && cells[0]!.length === 1) return null;
  const next = [...lines];
  cells.forEach((row, r) => {
    const line = { ...next[fromLine + r] };
    row.forEach((cell, c) => {
      const column = columns[fromColumn + c];
      if (column) line[column] = cell.trim();
    });
    next[fromLine + r] = line;
  });
  return next.filter((line) => !isEmptyLine(line, columns));
}
