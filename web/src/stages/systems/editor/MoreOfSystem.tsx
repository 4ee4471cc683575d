import type { SystemPack } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { ExpectedFacts } from './ExpectedFacts';
import { KeepOffLines } from './KeepOffLines';
import type { ListProps } from './ListProps';
import { NumberLine } from './NumberLine';
import { faultAt } from './packFaults';
import { RenewalLines } from './RenewalLines';
import { WordsLines } from './RuleLine';
import { SidesLines } from './SidesLines';

/** What else there is to say of a system: its note, what not to cut, how wood is renewed and sides take turns. */
export function MoreOfSystem({ system, faults, set, choices }: ListProps & { choices: SystemPack['choices'] }) {
  const { t } = useReading();
  return (
    <details className="small" data-test="more-of-system">
      <summary>{t('systems.more')}</summary>
      <WordsLines
        label={t('systems.note')}
        value={system.note ?? { en: '', es: '' }}
        onChange={(note) => {
          set({ note: note.en === '' && note.es === '' ? null : note });
        }}
        name="note"
      />
      <NumberLine
        label={t('systems.base-seconds')}
        value={system.labour.baseSeconds}
        unit="s"
        problem={faultAt(faults, 'labour.baseSeconds')}
        test="base-seconds"
        onChange={(baseSeconds) => {
          set({ labour: { ...system.labour, baseSeconds: baseSeconds as number } });
        }}
      />
      <KeepOffLines system={system} faults={faults} set={set} />
      <RenewalLines system={system} faults={faults} set={set} begin={choices.renewal} />
      <SidesLines system={system} faults={faults} set={set} />
      <ExpectedFacts system={system} faults={faults} set={set} facts={choices.facts} />
    </details>
  );
}
