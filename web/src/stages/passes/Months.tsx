import type { ReactNode } from 'react';
import type { YearMonth } from '../../drawings/yearLine';
import { dayForm } from '../../units/forms';
import { useReading } from '../../words/useReading';

/** The names of the months over a line of windows, and what stands among them. */
export function Months({ months, children }: { months: YearMonth[]; children?: ReactNode }) {
  return (
    <div className="passes-row passes-months" aria-hidden>
      <span />
      <MonthNames months={months}>{children}</MonthNames>
    </div>
  );
}

/** The months alone; short where the line is thin. */
export function MonthNames({
  months,
  short,
  children,
}: {
  months: YearMonth[];
  short?: boolean;
  children?: ReactNode;
}) {
  const { language } = useReading();
  const name = dayForm(language, { month: short ? 'narrow' : 'short', timeZone: 'UTC' });
  return (
    <span className="passes-track">
      {months.map((m) => (
        <span
          key={`${m.year}-${m.month}`}
          className="passes-month"
          style={{ left: `${m.from * 100}%`, width: `${(m.to - m.from) * 100}%` }}
        >
          {name.format(new Date(Date.UTC(m.year, m.month, 15)))}
          {m.month === 0 && !short && <span className="dim"> {m.year}</span>}
        </span>
      ))}
      {children}
    </span>
  );
}
