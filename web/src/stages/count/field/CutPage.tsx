import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { bodyOf } from '../../../field/kinds';
import { lastRow } from '../../../field/lastRow';
import { store, type KeptKit, type Queued } from '../../../field/queue';
import { useReading } from '../../../words/useReading';
import { BudGuide } from './BudGuide';
import { PlantingBar } from '../../../field/PlantingBar';
import { useField, useMade } from '../../../field/useField';
import { WithKit } from '../../../field/WithKit';
import { countOf, found, keepSample, keptSample, type CutSample, type Found } from './cutSample';
import { RowAndTree } from './RowAndTree';

/** Cutting buds to see which are floral: on the tree just counted, a key a bud, one entry a sample. */
export function CutPage() {
  return <WithKit page={(kept) => <Cutting key={kept.id} kept={kept} />} />;
}

function Cutting({ kept }: { kept: KeptKit }) {
  const { t, number } = useReading();
  const { put } = useField();
  const { kit } = kept;
  const made = useMade(kept.id);
  const [begun] = useState(() => keptSample(kept.id));
  const [kind, setKind] = useState(begun?.kind ?? kit.kinds[0] ?? 'spur');
  const [typed, setTyped] = useState(begun ? { row: begun.row, tree: begun.tree } : null);
  const [buds, setBuds] = useState<Found[]>(begun?.buds ?? []);
  // Buds are cut on the tree at hand or the one just counted, until another is named.
  const atTree = useLiveQuery(() => store.atHand.get(kept.id), [kept.id]);
  const last = atTree ?? made.findLast((q) => bodyOf(q.entry, 'tree') !== null)?.entry;
  const { row, tree } = typed ?? { row: String(last?.row ?? lastRow(kept.id)), tree: String(last?.tree ?? '') };
  const sample = useMemo(() => ({ row, tree, kind, buds }), [row, tree, kind, buds]);
  const lines = newest(made);
  // What this tree and kind was given before is added to.
  const at = (what: Found) => (cutOf(lines.get(`${row}/${tree}/${kind}`))?.[what] ?? 0) + countOf(sample, what);
  const cut = found.reduce((sum, what) => sum + at(what), 0);
  const ofKind = [...lines.values()].filter((q) => cutOf(q)?.kind === kind);
  const all = (what: Found) => ofKind.reduce((sum, q) => sum + (cutOf(q)?.[what] ?? 0), 0) + countOf(sample, what);
  const allCut = found.reduce((sum, what) => sum + all(what), 0);
  const placed = /^[1-9]\d*$/.test(row) && /^[1-9]\d*$/.test(tree);
  const share = kit.shares.find((s) => s.kind === kind);
  const trees = new Set(ofKind.map((q) => `${q.entry.row}/${q.entry.tree}`));
  if (buds.length > 0) trees.add(`${row}/${tree}`);

  const atHand = useRef(sample);
  useEffect(() => {
    atHand.current = sample;
    keepSample(kept.id, sample);
  }, [kept.id, sample]);
  /** Keeps the sample as one entry; the next buds begin another. */
  const done = useCallback(async () => {
    const now = atHand.current;
    if (now.buds.length === 0) return;
    atHand.current = { ...now, buds: [] };
    setBuds([]);
    keepSample(kept.id, null);
    await keepCut(kept, now, put);
  }, [kept, put]);
  // Whoever goes to another page is done with the sample.
  const leave = useRef(done);
  useEffect(() => {
    leave.current = done;
  }, [done]);
  useEffect(() => () => void leave.current(), []);

  const add = (what: Found) => {
    navigator.vibrate?.(12);
    setTyped({ row, tree });
    setBuds((now) => [...now, what]);
  };
  return (
    <main className="field-main tally">
      <PlantingBar kit={kit} at="buds" />
      <RowAndTree
        row={row}
        tree={tree}
        onChange={(at) => {
          void done();
          setTyped(at);
        }}
      />
      <div className="tally-acts">
        {kit.kinds.map((k) => (
          <button
            type="button"
            key={k}
            className={k === kind ? 'key key-on' : 'key'}
            aria-pressed={k === kind}
            onClick={() => {
              void done();
              setKind(k);
            }}
            data-test={`kind-${k}`}
          >
            {t(`kind.${k}`, { defaultValue: k })}
          </button>
        ))}
      </div>
      <div className="tally-count">
        <span className="tally-total" data-test="cut-share">
          {allCut === 0 ? '–' : `${number((all('floral') / allCut) * 100, 0)} %`}
        </span>
        <span className="unit">
          {t('cut.of', {
            floral: all('floral'),
            cut: allCut,
            trees: trees.size,
          })}
        </span>
        {share && (
          <span className="tally-limb small">
            {t('cut.office', {
              low: number(share.low * 100, 0),
              high: number(share.high * 100, 0),
              count: share.moreToCut,
            })}
          </span>
        )}
      </div>
      <p className="small dim">{placed ? t('cut.this-tree', { cut, row, tree }) : t('cut.place-first')}</p>
      <div className="tally-keys">
        {found.map((what) => (
          <button
            type="button"
            key={what}
            className={`key key-main key-${what}`}
            disabled={!placed}
            onClick={() => {
              add(what);
            }}
            data-test={`cut-${what}`}
          >
            <span>{t(`cut.${what}`)}</span>
            <span className="key-count">{at(what)}</span>
          </button>
        ))}
        <div className="tally-acts">
          <button
            type="button"
            className="key"
            disabled={buds.length === 0}
            onClick={() => {
              navigator.vibrate?.([8, 40, 8]);
              setBuds((now) => now.slice(0, -1));
            }}
            data-test="undo"
          >
            {t('field.undo')}
          </button>
        </div>
        <button
          type="button"
          className="key key-done"
          disabled={buds.length === 0}
          onClick={() => void done()}
          data-test="sample-done"
        >
          {t('cut.done', { count: buds.length })}
        </button>
      </div>
      <BudGuide />
    </main>
  );
}

const cutOf = (q: Queued | undefined) => (q ? bodyOf(q.entry, 'cut') : null);

/** Adds a sample to what its tree and kind was given before, and sends both in place of it. */
async function keepCut(kept: KeptKit, sample: CutSample, put: ReturnType<typeof useField>['put']) {
  const made = await store.queue.where('planting').equals(kept.id).sortBy('sequence');
  const before = newest(made).get(`${sample.row}/${sample.tree}/${sample.kind}`);
  const counts = Object.fromEntries(
    found.map((what) => [what, (cutOf(before)?.[what] ?? 0) + countOf(sample, what)]),
  ) as Record<Found, number>;
  await put({
    planting: kept.id,
    season: kept.kit.season,
    row: Number(sample.row),
    tree: Number(sample.tree),
    supersedes: before?.id ?? null,
    kind: 'cut',
    body: { kind: sample.kind, ...counts },
  });
}

/** The newest entry of each tree and kind. */
function newest(made: Queued[]) {
  const lines = new Map<string, Queued>();
  for (const q of made) {
    const cut = cutOf(q);
    if (cut) lines.set(`${q.entry.row}/${q.entry.tree}/${cut.kind}`, q);
    else if (q.entry.supersedes) for (const [key, line] of lines) if (line.id === q.entry.supersedes) lines.delete(key);
  }
  return lines;
}
