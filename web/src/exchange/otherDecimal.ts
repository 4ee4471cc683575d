import type { ImportReport } from '../api/client';

/**
 * The other decimal sign, where values that cannot be read as numbers look as if they were written with it; null where
 * they do not.
 */
export function otherDecimal(report: ImportReport, decimal: string): '.' | ',' | null {
  const unread = report.problems.filter((p) => p.code === 'text' && p.value);
  const other = decimal === '.' ? ',' : '.';
  const looks = new RegExp(`^-?[\\d.,\\s]*\\d\\${other}\\d+$`);
  const like = unread.filter((p) => looks.test(p.value!.trim())).length;
  return like > 0 && like * 2 > unread.length ? other : null;
}
