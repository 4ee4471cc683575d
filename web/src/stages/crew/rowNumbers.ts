/** Rows as they are written down: "1-4, 7", in any order; null where it is no list of rows. */
export function rowNumbers(text: string): number[] | null {
  const rows = new Set<number>();
  for (const part of text
    .split(/[,;\s]+/)
    .join(',')
    .replace(/,*\s*[-–]\s*,*/g, '-')
    .split(',')
    .filter(Boolean)) {
    const [from, to] = /^(\d{1,4})(?:-(\d{1,4}))?$/.exec(part)?.slice(1) ?? [];
    if (from === undefined || (to !== undefined && Number(to) < Number(from))) return null;
    for (let row = Number(from); row <= Number(to ?? from); row++) rows.add(row);
  }
  return [...rows].sort((a, b) => a - b);
}

/** Rows told short: runs of them with a dash. */
export function rowsTold(rows: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const row of [...rows].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last?.[1] === row - 1) last[1] = row;
    else runs.push([row, row]);
  }
  return runs.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(', ');
}
