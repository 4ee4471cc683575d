import type { Locale } from '../units/format';
import { parseNumber } from '../units/parse';
import type { Read } from './draft';
import { isEmptyLine, type Line } from './paste';

/** A sheet of lines as typed. */
export interface SheetDraft {
  lines: Line[];
}

/** Reads the lines of a sheet; empty ones are skipped, and unreadable cells are named by the line they are sent as. */
export function readLines<T, K extends string>(
  lines: Line[],
  columns: readonly string[],
  name: K,
  language: Locale,
  entry: (line: Line, number: (column: string, field?: string) => number | null) => T,
): Read<Record<K, T[]>> {
  const unreadable: string[] = [];
  const entries = lines
    .filter((line) => !isEmptyLine(line, columns))
    .map((line, i) =>
      entry(line, (column, field = column) => {
        const value = parseNumber(line[column] ?? '', language);
        if (!Number.isNaN(value)) return value;
        unreadable.push(`${name}[${i}].${field}`);
        return null;
      }),
    );
  return { entry: { [name]: entries } as Record<K, T[]>, unreadable };
}
