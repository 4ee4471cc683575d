const DAY_MS = 86_400_000;

/** Today, on a device that took a day along some time ago: that day, and the days gone since. */
export function todayOf(day: string, takenAt: string, now: Date): string {
  const gone = Math.floor(now.getTime() / DAY_MS) - Math.floor(new Date(takenAt).getTime() / DAY_MS);
  return new Date(new Date(`${day}T00:00Z`).getTime() + Math.max(0, gone) * DAY_MS).toISOString().slice(0, 10);
}
