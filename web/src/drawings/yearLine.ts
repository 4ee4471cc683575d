/** A span of days on a line of months. */
export interface YearSpan {
  from: string;
  to: string;
}

/** A month of the line, and where it begins and ends on it, 0 to 1. */
export interface YearMonth {
  year: number;
  /** 0 is January. */
  month: number;
  from: number;
  to: number;
}

const DAY = 86_400_000;
const dayOf = (day: string) => Date.parse(`${day}T00:00:00Z`) / DAY;

/** A line of whole months that holds all spans and today. */
export function yearLine(spans: YearSpan[], today: string) {
  const days = [...spans.flatMap((s) => [dayOf(s.from), dayOf(s.to)]), dayOf(today)];
  const first = new Date(Math.min(...days) * DAY);
  const last = new Date(Math.max(...days) * DAY);
  const start = Date.UTC(first.getUTCFullYear(), first.getUTCMonth()) / DAY;
  const end = Date.UTC(last.getUTCFullYear(), last.getUTCMonth() + 1) / DAY;
  const at = (day: string) => (dayOf(day) - start) / (end - start);
  const months: YearMonth[] = [];
  for (let m = first.getUTCMonth(), y = first.getUTCFullYear(); ; m++) {
    const [from, to] = [Date.UTC(y, m) / DAY, Date.UTC(y, m + 1) / DAY];
    if (from >= end) return { months, at };
    const date = new Date(from * DAY);
    months.push({
      year: date.getUTCFullYear(),
      month: date.getUTCMonth(),
      from: (from - start) / (end - start),
      to: (to - start) / (end - start),
    });
  }
}
