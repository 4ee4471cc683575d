import { Segmented } from 'antd';
import { useReading } from '../../words/useReading';
import type { Density as Of } from './useDensity';

/** Few plantings with all that is said of them, or many in a line each, to be chosen. */
export function Density({ value, onChange }: { value: Of; onChange: (next: Of) => void }) {
  const { t } = useReading();
  return (
    <Segmented
      className="season-density"
      aria-label={t('season.density')}
      value={value}
      onChange={onChange}
      options={(['roomy', 'dense'] as const).map((of) => ({
        value: of,
        label: <span data-test={`density-${of}`}>{t(`season.density-${of}`)}</span>,
      }))}
    />
  );
}
