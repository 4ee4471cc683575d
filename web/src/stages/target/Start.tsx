import { Button } from 'antd';
import type { ProposedTarget } from '../../api/client';
import { toDraft } from '../../entry/draft';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { targetSpec } from './draft';

/** What a fresh target may start from: the middle of the planting's past seasons, one press away. */
export function Start({ proposed }: { proposed: ProposedTarget }) {
  const reading = useReading();
  const { t, number, unitName } = reading;
  const { draft, change } = usePlantingWork();
  const { yield: wanted, fruitSize, packOut } = proposed.target;
  const said = [
    wanted?.value != null && `${number(wanted.value)} ${unitName(wanted.unit!)}`,
    fruitSize?.value != null && reading.told(fruitSize.value, 'g', 0),
    packOut?.value != null && t('start.packed', { share: number(packOut.value, 0) }),
  ].filter(Boolean);
  const take = () => {
    const typed = toDraft(targetSpec, proposed.target, reading);
    const now = draft('target');
    // What is typed already stays.
    const filled = Object.entries(typed).filter(([path, field]) => field.text !== '' && !now[path]?.text);
    change('target', { ...now, ...Object.fromEntries(filled) });
  };
  return (
    <div className="target-start" data-test="target-start">
      <p>
        {t(proposed.seasons > 0 ? 'start.seasons' : 'start.no-seasons', { count: proposed.seasons })}{' '}
        <Why steps={proposed.steps}>
          <strong>{said.join(' · ')}</strong>
        </Why>
      </p>
      <Button type={proposed.seasons > 0 ? 'primary' : 'default'} onClick={take} data-test="take-start">
        {t('start.take')}
      </Button>
    </div>
  );
}
