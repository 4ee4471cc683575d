import type { ReactNode } from 'react';
import type { YearMonth } from '../../drawings/yearLine';
import { useReading } from '../../words/useReading';

/** The names of the months over a line of windows, and what stands among them. */
export function Months({ months, children }: { months: YearMonth[]; children?: ReactNode }) {
  const { language } = useReading();
  const name = new Intl.DateTimeFormat(language, { month: 'short', timeZone: 'UTC' });
  return (
    <div className="passes-row passes-months" aria-hidden>
      <span />
      <span className="passes-track">
        {months.map((m) => (
          <span
            key={`${m.year}-${m.month}`}
            className="passes-month"
            style={{ left: `${m.from * 100}%`, width: `${(m.to - m.from) * 100}%` }}
          >
            {name.format(new Date(Date.UTC(m.year, m.month, 15)))}
            {m.month === 0 && <span className="dim"> {m.year}</span>}
          </span>
        ))}
        {children}
      </span>
    </div>
  );
}
