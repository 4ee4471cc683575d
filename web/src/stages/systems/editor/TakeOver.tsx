import { Button } from 'antd';
import { useState } from 'react';
import type { CatalogueView, SystemPack, TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { usePack } from '../useSystem';
import { takeQuestion, takeStep } from './takeOver';

/** Takes a step or a question over from another system, with the numbers and named rules it needs. */
export function TakeOver({
  part,
  system,
  names,
  set,
}: {
  part: 'step' | 'question';
  system: TrainingSystem;
  names: CatalogueView['systems'];
  set: (part: Partial<TrainingSystem>) => void;
}) {
  const { t, local } = useReading();
  const [from, setFrom] = useState('');
  return (
    <div className="take-over" data-test={`take-${part}`}>
      <Choice
        label={t(`systems.take-${part}`)}
        empty={t(`systems.take-${part}`)}
        value={from}
        options={names.filter((n) => n.id !== system.id).map((n) => ({ value: n.id, label: local(n.name) }))}
        onChange={setFrom}
      />
      {from !== '' && <PartsOf key={from} id={from} part={part} system={system} set={set} />}
    </div>
  );
}

function PartsOf({
  id,
  part,
  system,
  set,
}: {
  id: string;
  part: 'step' | 'question';
  system: TrainingSystem;
  set: (part: Partial<TrainingSystem>) => void;
}) {
  const { t, local } = useReading();
  const pack = usePack(id);
  const [chosen, setChosen] = useState('');
  if (!pack.data) return <span className="waiting small">{t('loading')}</span>;
  const all = part === 'step' ? pack.data.system.steps : pack.data.system.questions;
  const here: readonly { id: string }[] = part === 'step' ? system.steps : system.questions;
  const free = all.filter((x) => !here.some((h) => h.id === x.id));
  const value = free.some((x) => x.id === chosen) ? chosen : (free[0]?.id ?? '');
  const take = (pack: SystemPack) =>
    part === 'step' ? takeStep(system, pack, value) : takeQuestion(system, pack, value);
  if (free.length === 0) return <span className="small dim">{t('systems.nothing-to-take')}</span>;
  return (
    <>
      <Choice
        label={t(`systems.which-${part}`)}
        value={value}
        options={free.map((x) => ({ value: x.id, label: local(x.name) }))}
        onChange={setChosen}
      />
      <Button
        size="small"
        onClick={() => {
          set(take(pack.data));
        }}
        data-test={`take-${part}-add`}
      >
        {t('systems.take')}
      </Button>
    </>
  );
}
