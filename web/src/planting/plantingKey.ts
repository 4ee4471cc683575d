/** Where a planting of a season is kept in the browser; the season at hand when null. */
export const plantingKey = (id: string, season: number | null) => ['planting', id, season] as const;
