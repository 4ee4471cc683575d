import type { ReworkStanding } from '../../api/client';

/** A standing in words, with the winter where winters are counted. */
export const standingName = (
  t: (key: string, values?: Record<string, unknown>) => string,
  standing: ReworkStanding,
  winter: number | null,
) =>
  standing === 'winter' && winter === null
    ? t('rework.standing.winters')
    : t(`rework.standing.${standing}`, winter === null ? {} : { winter });
