import type { TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import type { ListProps } from './ListProps';
import { NumberLine } from './NumberLine';
import { faultAt } from './packFaults';

type Renewal = NonNullable<TrainingSystem['renewal']>;

/** How the wood of a system is renewed; a system may say nothing of it. */
export function RenewalLines({ system, faults, set, begin }: ListProps & { begin: Renewal }) {
  const { t } = useReading();
  const renewal = system.renewal ?? null;
  const change = (part: Partial<Renewal>) => {
    set({ renewal: { ...(renewal ?? begin), ...part } });
  };
  return (
    <section>
      <strong>{t('systems.renewal')}</strong>{' '}
      <Choice
        label={t('systems.renewal')}
        empty={t('systems.renewal-none')}
        value={renewal?.of ?? ''}
        options={(['limb', 'scaffold'] as const).map((of) => ({ value: of, label: t(`systems.renewal-${of}`) }))}
        onChange={(of) => {
          if (of === '') set({ renewal: null });
          else change({ of: of as Renewal['of'] });
        }}
      />
      {renewal && (
        <div className="system-settings">
          {(['leastYears', 'mostYears', 'bearingYears'] as const).map((part) => (
            <NumberLine
              key={part}
              label={t(`systems.renewal-${part}`)}
              value={renewal[part]}
              unit={t('systems.years')}
              test={`renewal-${part}`}
              onChange={(value) => {
                change({ [part]: value as number });
              }}
            />
          ))}
          <label>
            <input
              type="checkbox"
              checked={renewal.cohorts !== null}
              onChange={(e) => {
                change({ cohorts: e.target.checked ? { builtTo: 1, croppingTo: 2 } : null });
              }}
              data-test="renewal-cohorts"
            />{' '}
            {t('systems.cohorts')}
          </label>
          {renewal.cohorts &&
            (['builtTo', 'croppingTo'] as const).map((part) => (
              <NumberLine
                key={part}
                label={t(`systems.cohorts-${part}`)}
                value={renewal.cohorts![part]}
                unit={t('systems.years')}
                test={`cohorts-${part}`}
                onChange={(value) => {
                  change({ cohorts: { ...renewal.cohorts!, [part]: value as number } });
                }}
              />
            ))}
        </div>
      )}
      {faultAt(faults, 'renewal') && <p className="field-problem">{faultAt(faults, 'renewal')}</p>}
    </section>
  );
}
