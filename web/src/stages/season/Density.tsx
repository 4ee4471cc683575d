import { useReading } from '../../words/useReading';
import type { Density as Of } from './useDensity';

/** Few plantings with all that is said of them, or many in a line each, to be chosen. */
export function Density({ value, onChange }: { value: Of; onChange: (next: Of) => void }) {
  const { t } = useReading();
  return (
    <div className="season-density" role="radiogroup" aria-label={t('season.density')}>
      {(['roomy', 'dense'] as const).map((of) => (
        <label key={of} data-test={`density-${of}`}>
          <input
            type="radio"
            name="density"
            checked={of === value}
            onChange={() => {
              onChange(of);
            }}
          />
          {t(`season.density-${of}`)}
        </label>
      ))}
    </div>
  );
}
