/** Most lines that are left out by hand; more of them are another file. */
const MOST = 2_000;

/** Numbers of lines or trees as people list them, such as `3, 17-19`; null where it cannot be read. */
export function readNumbers(text: string): number[] | null {
  const lines = new Set<number>();
  for (const part of text.split(/[,;\s]+/).filter(Boolean)) {
    const range = /^(\d{1,6})(?:[-–](\d{1,6}))?$/.exec(part);
    if (!range) return null;
    const [from, to] = [Number(range[1]), Number(range[2] ?? range[1])];
    if (to < from || to - from > MOST) return null;
    for (let line = from; line <= to; line++) lines.add(line);
  }
  return lines.size > MOST ? null : [...lines].toSorted((a, b) => a - b);
}

/** The same the other way round, runs as ranges. */
export function writeNumbers(lines: number[]): string {
  const runs: [number, number][] = [];
  for (const line of lines.toSorted((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && line <= last[1] + 1) last[1] = line;
    else runs.push([line, line]);
  }
  return runs.map(([from, to]) => (from === to ? String(from) : `${from}-${to}`)).join(', ');
}
