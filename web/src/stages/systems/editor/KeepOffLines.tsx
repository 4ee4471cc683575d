import { Button } from 'antd';
import { useReading } from '../../../words/useReading';
import type { ListProps } from './ListProps';
import { faultAt } from './packFaults';
import { WordsLines } from './RuleLine';

/** What a pruner keeps off, in both languages. */
export function KeepOffLines({ system, faults, set }: ListProps) {
  const { t } = useReading();
  return (
    <section>
      <strong>{t('systems.keep-off')}</strong>
      {system.keepOff.map((text, i) => (
        <div key={i} className="answer-change">
          <WordsLines
            label={t('systems.keep-off-what')}
            value={text}
            onChange={(next) => {
              set({ keepOff: system.keepOff.map((x, j) => (j === i ? next : x)) });
            }}
            name={`keep-off-${i}`}
            problem={faultAt(faults, `keepOff[${i}]`)}
          />
          <Button
            size="small"
            onClick={() => {
              set({ keepOff: system.keepOff.filter((_, j) => j !== i) });
            }}
          >
            {t('systems.take-out')}
          </Button>
        </div>
      ))}
      <Button
        size="small"
        onClick={() => {
          set({ keepOff: [...system.keepOff, { en: '', es: '' }] });
        }}
        data-test="add-keep-off"
      >
        {t('systems.add')}
      </Button>
    </section>
  );
}
