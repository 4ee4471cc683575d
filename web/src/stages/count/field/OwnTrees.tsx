import { bodyOf } from '../../../field/kinds';
import { useReading } from '../../../words/useReading';
import type { TallyWork } from './useTally';

/** Trees counted on this device, the latest first; touched, one is at hand again. */
export function OwnTrees({ work }: { work: TallyWork }) {
  const { t, number } = useReading();
  const { ownTrees, takeUp } = work;
  if (ownTrees.length === 0) return null;
  return (
    <>
      <p className="small dim">{t('field.own')}</p>
      <ol className="field-own" data-test="own-trees">
        {ownTrees.map((queued) => {
          const body = bodyOf(queued.entry, 'tree')!;
          const buds = body.floralBuds ?? body.buds ?? (body.kinds ?? []).reduce((sum, k) => sum + (k.buds ?? 0), 0);
          return (
            <li key={queued.id}>
              <button
                type="button"
                className="key"
                onClick={() => {
                  takeUp(queued);
                }}
              >
                {t('field.place', { row: queued.entry.row, tree: queued.entry.tree })}
                <strong> {number(buds, 0)}</strong>
              </button>
            </li>
          );
        })}
      </ol>
    </>
  );
}
