import type { SeasonLine } from '../../api/client';

/** A day of the year, short. */
export const dayOf = (day: string, language: string) =>
  new Date(`${day}T00:00`).toLocaleDateString(language, { day: 'numeric', month: 'short' });

/** Where a planting is opened: at what is to be done. */
export const pathTo = (line: SeasonLine, search: string) => `/plantings/${line.id}/${line.stage}${search}`;

/** What is decided of a planting; before that, where its work stands. */
export function verdictOf(line: SeasonLine, t: (key: string) => string) {
  if (line.decision === null) return line.isInTraining ? t('season.training') : t(`stage.${line.stage}`);
  return line.weight
    ? `${t(`decision.${line.decision}`)}, ${t(`weight.${line.weight}`)}`
    : t(`decision.${line.decision}`);
}

/** Buds a drawn account reaches to, of each habit: those of a cherry would leave nothing to see of an apple's. */
export function scalesOf(lines: SeasonLine[]): Record<string, number> {
  const scales: Record<string, number> = {};
  for (const { habit, ledger } of lines)
    scales[habit] = Math.max(
      scales[habit] ?? 1,
      ledger?.standing?.high ?? ledger?.standing?.mean ?? 0,
      ledger?.bandHigh ?? 0,
    );
  return scales;
}
