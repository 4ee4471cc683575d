import { useState } from 'react';
import type { ReworkedTreeEntry } from '../../../api/client';
import { PhotoKey } from '../../../field/PhotoKey';
import { PlantingBar } from '../../../field/PlantingBar';
import { lastRow } from '../../../field/lastRow';
import type { KeptKit } from '../../../field/queue';
import { useField, useMade } from '../../../field/useField';
import { WithKit } from '../../../field/WithKit';
import { useReading } from '../../../words/useReading';
import { RowAndTree } from '../../count/field/RowAndTree';
import { Ribbon } from '../Ribbon';
import { standingName } from '../standing';
import { todayOf } from '../../../field/today';
import { useSecondTap } from '../../../field/useSecondTap';
import { goes, newsOf, openTrees, treeAt } from './rework';
import './rework.css';

/** Reworked trees in the row: what this one asks for, by its ribbon, and what is seen and done. */
export function ReworkPage() {
  return <WithKit page={(kept) => <Reworking key={kept.id} kept={kept} />} />;
}

const unions = ['holds', 'loose', 'failed'] as const;

function Reworking({ kept }: { kept: KeptKit }) {
  const { t, local } = useReading();
  const { put } = useField();
  const made = useMade(kept.id);
  // One taken along by an earlier Rama has none.
  const rework = (kept.kit as Partial<KeptKit['kit']>).rework ?? null;
  const { season } = kept.kit;
  const today = todayOf(kept.kit.today, kept.at, new Date());
  const isSecondTap = useSecondTap();
  const open = rework ? openTrees(rework, made, season) : [];
  const [place, setPlace] = useState({ row: '', tree: '' });
  const [said, setSaid] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [next, setNext] = useState<Partial<ReworkedTreeEntry>>({});
  const at = {
    row: place.row || String(open[0]?.row ?? lastRow(kept.id)),
    tree: place.tree || String(open[0]?.tree ?? ''),
  };
  const [row, tree] = [Number(at.row), Number(at.tree)];
  const line = rework?.trees.find((l) => l.row === row && l.tree === tree);
  const hand = treeAt(rework, made, row, tree);
  const now = { ...hand.entry, ...next };
  const isDone = hand.entry?.doneSeason === season;
  const isToGo = goes(rework, row, tree);
  const isPlaced = at.row !== '' && at.tree !== '';
  const going = (rework?.toGo ?? []).reduce((sum, r) => sum + r.trees.length, 0);
  const tasks = (isToGo ? rework!.toGoTasks : (line?.tasks ?? [])).flatMap(
    (id) => rework?.tasks.find((task) => task.id === id) ?? [],
  );
  const go = (to: { row: string; tree: string }) => {
    setPlace(to);
    setNext({});
    setProblem(null);
  };
  const keep = async (more: Partial<ReworkedTreeEntry>) => {
    if (!/^[1-9]\d*$/.test(at.row) || !/^[1-9]\d*$/.test(at.tree)) {
      setProblem(t('walk.place'));
      return;
    }
    const told = { ...next, ...more };
    if (!(told.variety ?? hand.entry?.variety)?.trim()) {
      setProblem(t('field.rework-unknown'));
      return;
    }
    await put({
      planting: kept.id,
      season,
      row,
      tree,
      supersedes: hand.told?.id ?? null,
      kind: 'rework',
      body: newsOf(hand, row, tree, told),
    });
    navigator.vibrate?.(30);
    setSaid(t('field.rework-kept', { row, tree }));
    const after = open.filter((l) => l.row !== row || l.tree !== tree)[0];
    if (more.doneSeason && after) go({ row: String(after.row), tree: String(after.tree) });
    else go(at);
  };
  const chip = (on: boolean, text: string, set: Partial<ReworkedTreeEntry>, test: string) => (
    <button
      type="button"
      className={on ? 'key-small key-on' : 'key-small'}
      aria-pressed={on}
      onClick={() => {
        setNext({ ...next, ...set });
      }}
      data-test={test}
    >
      {text}
    </button>
  );
  return (
    <>
      <PlantingBar kit={kept.kit} at="rework" />
      <main className="field-main tally rework-page">
        <p className="small dim">
          {rework === null
            ? t('field.rework-none')
            : [
                rework.trees.length > 0 && t('field.rework-next', { left: open.length, all: rework.trees.length }),
                going > 0 && t('field.rework-going', { count: going }),
              ]
                .filter(Boolean)
                .join(' · ')}
        </p>
        <RowAndTree row={at.row} tree={at.tree} onChange={go} />
        {isToGo && (
          <p className="rework-at" data-test="rework-standing">
            <strong>{standingName(t, 'toRemove', null)}</strong> <Ribbon colour={rework?.ribbons.toRemove ?? 'none'} />
          </p>
        )}
        {line && (
          <p className="rework-at" data-test="rework-standing">
            <strong>{standingName(t, line.standing, line.winter)}</strong>{' '}
            <Ribbon colour={rework?.ribbons[line.standing] ?? 'none'} /> {hand.entry?.variety}{' '}
            {isDone && <span>✓ {t('field.rework-is-done')}</span>}
          </p>
        )}
        {isToGo && <p>{t('field.rework-to-go')}</p>}
        {line && !isToGo && tasks.length === 0 && <p>{t('field.rework-asks-nothing')}</p>}
        {tasks.length > 0 && (
          <>
            <h2 className="small dim">{t('field.rework-asks')}</h2>
            <ol className="rework-tasks" data-test="rework-tasks">
              {tasks.map((task) => (
                <li key={task.id}>
                  {local(task.name)}
                  {task.caution && <span className="rework-caution">▲ {local(task.caution)}</span>}
                </li>
              ))}
            </ol>
          </>
        )}
        {isPlaced && !isToGo && (
          <>
            <fieldset className="walk-group">
              <legend>{t('rework.field.union')}</legend>
              {unions.map((union) =>
                chip(now.union === union, t(`rework.union.${union}`), { union }, `union-${union}`),
              )}
            </fieldset>
            <fieldset className="walk-group">
              {chip(now.support ?? false, t('rework.field.support'), { support: !(now.support ?? false) }, 'support')}
              {chip(now.guard ?? false, t('rework.field.guard'), { guard: !(now.guard ?? false) }, 'guard')}
              {chip(
                now.trueToName != null,
                t('field.rework-true'),
                { trueToName: now.trueToName == null ? season : null },
                'true-to-name',
              )}
              {!hand.entry?.graftedOn &&
                chip(
                  now.graftedOn != null,
                  t('field.rework-grafted-today'),
                  { graftedOn: now.graftedOn == null ? today : null },
                  'grafted-today',
                )}
            </fieldset>
            {!hand.entry && (
              <label className="field-notes">
                {t('rework.field.variety')}
                <input
                  value={next.variety ?? ''}
                  maxLength={80}
                  onChange={(e) => {
                    setNext({ ...next, variety: e.target.value });
                  }}
                  data-test="rework-variety"
                />
              </label>
            )}
            <label className="field-notes">
              {t('field.note')}
              <input
                value={now.note ?? ''}
                maxLength={300}
                onChange={(e) => {
                  setNext({ ...next, note: e.target.value });
                }}
              />
            </label>
          </>
        )}
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        <div className="tally-keys">
          <div className="tally-acts">
            <PhotoKey planting={kept.id} row={row || null} tree={tree || null} />
            <span className="small dim" role="status">
              {said}
            </span>
            {!isToGo && (
              <button type="button" className="key-small" onClick={() => void keep({})} data-test="rework-keep">
                {t('field.rework-keep')}
              </button>
            )}
          </div>
          {!isToGo && hand.entry && (
            <button
              type="button"
              className="key key-done"
              onClick={(e) => {
                // The next tree stands there already: a second tap of the same thumb is not meant for it.
                if (isSecondTap(e)) return;
                void keep({ doneSeason: isDone ? null : season });
              }}
              data-test="rework-work-done"
            >
              {t(isDone ? 'field.rework-undone' : 'field.rework-done')}
            </button>
          )}
        </div>
      </main>
    </>
  );
}
