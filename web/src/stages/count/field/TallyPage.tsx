import { useEffect, useState } from 'react';
import { PhotoKey } from '../../../field/PhotoKey';
import { PlantingBar } from '../../../field/PlantingBar';
import { store, type KeptKit, type TreeAtHand } from '../../../field/queue';
import { WithKit } from '../../../field/WithKit';
import { useReading } from '../../../words/useReading';
import { DoubtSheet } from './DoubtSheet';
import { StopLine } from './StopLine';
import { canUndo, limbTotal, total } from './tally';
import { TallyKeys } from './TallyKeys';
import { TallyMore } from './TallyMore';
import { TallyPlace } from './TallyPlace';
import { MannerSheet, SkipSheet } from './TallySheets';
import { useTally } from './useTally';

/** Counting trees in the row: one thumb, big keys, kept at every tap. */
export function TallyPage() {
  return <WithKit page={(kept) => <Trees key={kept.id} kept={kept} />} />;
}

function Trees({ kept }: { kept: KeptKit }) {
  const [atHand, setAtHand] = useState<TreeAtHand | null | undefined>(undefined);
  useEffect(() => {
    void store.atHand.get(kept.id).then((found) => {
      setAtHand(found ?? null);
    });
  }, [kept.id]);
  return atHand === undefined ? null : <Counting kept={kept} before={atHand} />;
}

function Counting({ kept, before }: { kept: KeptKit; before: TreeAtHand | null }) {
  const { t } = useReading();
  const { kit } = kept;
  const work = useTally(kept, before);
  const { row, tree, tally, sheet, problem, flash, so, said, back, limbDone, toggle, treeDone } = work;
  return (
    <main className="field-main tally">
      <PlantingBar kit={kit} at="trees" />
      <TallyPlace kit={kit} work={work} />
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}

      <div className="tally-count" ref={flash} aria-live="polite">
        <span className="tally-total" data-test="total">
          {total(tally)}
        </span>
        <span className="unit">{t(tally.by === 'floral' ? 'field.floral-buds' : 'field.all-buds')}</span>
        {tally.limbwise && (
          <span className="tally-limb">
            {t('field.limb', { limb: tally.limbs.length, buds: limbTotal(tally.limbs.at(-1)!) })}
          </span>
        )}
      </div>

      <StopLine so={so} said={said} planned={kit.stop.planned} />

      <TallyMore work={work} />

      <div className="tally-keys">
        <TallyKeys work={work} />
        <div className="tally-acts">
          {!work.manner.pad && (
            <button type="button" className="key" onClick={back} disabled={!canUndo(tally)} data-test="undo">
              {t('field.undo')}
            </button>
          )}
          {tally.limbwise && !work.manner.pad && (
            <button type="button" className="key" onClick={limbDone} data-test="limb-done">
              {t('field.limb-done')}
            </button>
          )}
          <button
            type="button"
            className="key"
            onClick={() => {
              toggle('skip');
            }}
            data-test="skip"
          >
            {t('field.skip')}
          </button>
          <PhotoKey planting={kept.id} row={row === '' ? null : Number(row)} tree={tree === '' ? null : Number(tree)} />
          <button
            type="button"
            className="key"
            onClick={() => {
              toggle('manner');
            }}
            data-test="manner"
          >
            {t('field.manner')}
          </button>
        </div>
        {sheet === 'skip' && <SkipSheet work={work} />}
        {sheet === 'manner' && <MannerSheet work={work} />}
        <DoubtSheet work={work} />
        {work.doubts.length === 0 && (
          <button type="button" className="key key-done" onClick={() => void treeDone()} data-test="tree-done">
            {t('field.tree-done')}
          </button>
        )}
      </div>
    </main>
  );
}
