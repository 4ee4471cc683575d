import type { SeasonResultEntry } from '../../api/client';
import type { Line } from '../../entry/paste';
import type { Typing } from '../../units/system';
import { lineOf } from './draft';
import { counted, unitOf } from './seasonSpec';

const isBlank = (text: string | undefined) => (text ?? '') === '';

/** The number a field of its own tells more of, such as its unit or how it was counted. */
function numberOf(key: string): string {
  const of = counted.find((c) => key.startsWith(`counts.how.${c}.`));
  if (of) return of === 'budsLeft' ? of : `counts.${of}`;
  return key.endsWith(unitOf('')) ? key.slice(0, -unitOf('').length) : key;
}

/** A line with what was counted filled in where nothing is typed; null where there is nothing to fill in. */
export function filled(line: Line, start: SeasonResultEntry, typing: Typing): Line | null {
  const from = lineOf(start, typing);
  // How a number was counted is filled in with the number alone, and never beside another one.
  const open = Object.keys(from).filter((key) => !isBlank(from[key]) && isBlank(line[numberOf(key)]));
  return open.some((key) => numberOf(key) === key)
    ? { ...line, ...Object.fromEntries(open.map((key) => [key, from[key] ?? ''])) }
    : null;
}
