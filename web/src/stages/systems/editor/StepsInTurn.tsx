import { Button } from 'antd';
import { useReading } from '../../../words/useReading';

/** The order of the steps under an answer; those not named follow as they were. */
export function StepsInTurn({
  sequence,
  nameOf,
  all,
  onChange,
}: {
  sequence: readonly string[];
  nameOf: (step: string) => string;
  all: readonly { value: string; label: string }[];
  onChange: (sequence: string[] | null) => void;
}) {
  const { t } = useReading();
  const swap = (at: number) => {
    const next = [...sequence];
    [next[at - 1], next[at]] = [next[at]!, next[at - 1]!];
    onChange(next);
  };
  return (
    <div className="steps-in-turn">
      <span className="small dim">{t('systems.in-turn')}</span>
      <ol>
        {sequence.map((step, i) => (
          <li key={step} className="small">
            {nameOf(step)}{' '}
            <Button
              size="small"
              disabled={i === 0}
              onClick={() => {
                swap(i);
              }}
              aria-label={t('systems.earlier', { step: nameOf(step) })}
            >
              ↑
            </Button>{' '}
            <Button
              size="small"
              onClick={() => {
                const left = sequence.filter((s) => s !== step);
                onChange(left.length === 0 ? null : left);
              }}
            >
              {t('systems.take-out')}
            </Button>
          </li>
        ))}
      </ol>
      {all
        .filter((s) => !sequence.includes(s.value))
        .map((s) => (
          <Button
            key={s.value}
            size="small"
            onClick={() => {
              onChange([...sequence, s.value]);
            }}
          >
            + {s.label}
          </Button>
        ))}
    </div>
  );
}
