import type { ToldVerdict } from '../../api/client';
import { useReading } from '../../words/useReading';
import { markOf } from './marks';

/** What is said of how trees were cut, with what to do otherwise. */
export function ToldVerdictLine({ told }: { told: ToldVerdict }) {
  const { say } = useReading();
  return (
    <>
      <span aria-hidden>{markOf(told.kind)}</span> <strong>{say(told.sentence)}</strong>
      {told.correction && <> {say(told.correction)}</>}
    </>
  );
}
