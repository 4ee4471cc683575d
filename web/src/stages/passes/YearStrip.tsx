import type { PassGlance, YearView } from '../../api/client';
import { useReading } from '../../words/useReading';

/** The passes of a planting on one thin line of months. */
export function YearStrip({
  passes,
  names,
  today,
  at,
}: {
  passes: PassGlance[];
  names: YearView['names'];
  today: string;
  at: (day: string) => number;
}) {
  const { local } = useReading();
  return (
    <span className="passes-track">
      <span className="passes-today" style={{ left: `${at(today) * 100}%` }} />
      {passes.map(
        (pass) =>
          pass.from &&
          pass.to && (
            <span
              key={pass.id}
              className={`passes-band year-band passes-${pass.state}`}
              title={local(names[pass.id])}
              style={{
                left: `${at(pass.from) * 100}%`,
                width: `${Math.max(0.4, (at(pass.to) - at(pass.from)) * 100)}%`,
              }}
            />
          ),
      )}
    </span>
  );
}
