import { RequestError, type FieldProblem } from '../../../api/client';

/** What is wrong with a pack, by the field it is told at. */
export type PackFaults = ReadonlyMap<string, string>;

export function faultsOf(error: Error | null): PackFaults {
  const problems: FieldProblem[] = error instanceof RequestError ? (error.problem.problems ?? []) : [];
  return new Map(problems.map((p) => [p.field, p.message]));
}

/** The first fault of a field or of what it is made of. */
export const faultAt = (faults: PackFaults, field: string): string | undefined =>
  faults.get(field) ?? [...faults].find(([at]) => at.startsWith(`${field}.`) || at.startsWith(`${field}[`))?.[1];

/** What is wrong and told at none of these fields. */
export const faultsElsewhere = (faults: PackFaults, shown: readonly string[]): string[] =>
  [...faults]
    .filter(([at]) => !shown.some((s) => at === s || at.startsWith(`${s}.`) || at.startsWith(`${s}[`)))
    .map(([, message]) => message);
