import { Button } from 'antd';
import { useReading } from '../../../words/useReading';
import { AddByName } from './AddByName';
import type { ListProps } from './ListProps';
import { faultAt } from './packFaults';
import { RuleLine } from './RuleLine';
import { freeId } from './ruleText';

/** Rules that have a name and are used in others. */
export function TermsList({ system, faults, set }: ListProps) {
  const { t } = useReading();
  return (
    <section className="system-terms">
      <strong>{t('systems.terms')}</strong>
      {Object.entries(system.terms).map(([name, rule]) => (
        <div key={name} className="term-line">
          <RuleLine
            label={name}
            value={rule}
            onChange={(text) => {
              set({ terms: { ...system.terms, [name]: text } });
            }}
            name={`term-${name}`}
            problem={faultAt(faults, `terms.${name}`)}
          />
          <Button
            size="small"
            onClick={() => {
              set({ terms: Object.fromEntries(Object.entries(system.terms).filter(([x]) => x !== name)) });
            }}
          >
            {t('systems.take-out')}
          </Button>
        </div>
      ))}
      <AddByName
        label={t('systems.new-term')}
        test="new-term"
        onAdd={(name) => {
          const id = freeId(name, [...system.settings.map((s) => s.id), ...Object.keys(system.terms)]);
          set({ terms: { ...system.terms, [id]: 'diameter > 20 mm' } });
        }}
      />
    </section>
  );
}
