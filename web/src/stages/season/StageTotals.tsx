import type { SeasonLine } from '../../api/client';
import { useReading } from '../../words/useReading';
import { stageTotals } from './find';

/** Plantings, ground and hours at each stage; a stage that is pressed is what the list shows. */
export function StageTotals({
  lines,
  stage,
  onStage,
}: {
  lines: SeasonLine[];
  stage: string;
  onStage: (stage: string) => void;
}) {
  const { t, told, number } = useReading();
  return (
    <ul className="season-totals" aria-label={t('season.totals')}>
      {stageTotals(lines).map(({ of, plantings, areaHa, hours }) => (
        <li key={of}>
          <button
            type="button"
            aria-pressed={stage === of}
            onClick={() => {
              onStage(stage === of ? '' : of);
            }}
            data-test={`total-${of}`}
          >
            <strong>{plantings}</strong> {t(`stage.${of}`)}{' '}
            <span className="small dim">
              {told(areaHa, 'ha', 1)}
              {hours > 0 && ` · ${number(hours, 0)} ${t('unit:h')}`}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
