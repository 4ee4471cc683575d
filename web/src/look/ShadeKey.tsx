import { useReading } from '../words/useReading';
import { chooseShade, useShade } from './shade';

/** From day to night and back with one touch. */
export function ShadeKey({ className }: { className: string }) {
  const { t } = useReading();
  const other = useShade() === 'day' ? 'night' : 'day';
  return (
    <button
      type="button"
      className={className}
      aria-label={t(`shade.to-${other}`)}
      title={t(`shade.to-${other}`)}
      onClick={() => {
        chooseShade(other);
      }}
      data-test="shade"
    >
      <span aria-hidden>{other === 'night' ? '☾' : '☀'}</span>
    </button>
  );
}
