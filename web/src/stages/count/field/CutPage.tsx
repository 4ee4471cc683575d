import { useRef, useState } from 'react';
import { bodyOf } from '../../../field/kinds';
import { store, type KeptKit, type Queued } from '../../../field/queue';
import { useReading } from '../../../words/useReading';
import { BudGuide } from './BudGuide';
import { PlantingBar } from '../../../field/PlantingBar';
import { useField, useMade } from '../../../field/useField';
import { WithKit } from '../../../field/WithKit';
import { RowAndTree } from './RowAndTree';

const found = ['floral', 'vegetative', 'dead'] as const;
type Found = (typeof found)[number];

/** Cutting buds to see which are floral: kind and tree chosen once, then a key a bud. */
export function CutPage() {
  return <WithKit page={(kept) => <Cutting key={kept.id} kept={kept} />} />;
}

function Cutting({ kept }: { kept: KeptKit }) {
  const { t, number } = useReading();
  const { put } = useField();
  const { kit } = kept;
  const made = useMade(kept.id);
  const [kind, setKind] = useState(kit.kinds[0] ?? 'spur');
  const [row, setRow] = useState('');
  const [tree, setTree] = useState('');
  const [past, setPast] = useState<Found[]>([]);
  const lines = newest(made);
  // What this tree and kind has been given so far is added to, and sent again in place of it.
  const line = lines.get(`${row}/${tree}/${kind}`);
  const at = (what: Found) => cutOf(line)?.[what] ?? 0;
  const cut = found.reduce((sum, what) => sum + at(what), 0);
  const ofKind = [...lines.values()].filter((q) => cutOf(q)?.kind === kind);
  const all = (what: Found) => ofKind.reduce((sum, q) => sum + (cutOf(q)?.[what] ?? 0), 0);
  const allCut = found.reduce((sum, what) => sum + all(what), 0);
  const placed = /^[1-9]\d*$/.test(row) && /^[1-9]\d*$/.test(tree);
  const share = kit.shares.find((s) => s.kind === kind);

  // Two taps can come before the first is written: each waits for the one before it, and adds to what that left.
  const before = useRef<Promise<unknown>>(Promise.resolve());
  function add(what: Found, by: 1 | -1) {
    navigator.vibrate?.(by === 1 ? 12 : [8, 40, 8]);
    setPast((now) => (by === 1 ? [...now, what] : now.slice(0, -1)));
    before.current = before.current.then(async () => {
      const last = newest(await store.queue.where('planting').equals(kept.id).sortBy('sequence')).get(
        `${row}/${tree}/${kind}`,
      );
      const counts = Object.fromEntries(
        found.map((f) => [f, (cutOf(last)?.[f] ?? 0) + (f === what ? by : 0)]),
      ) as Record<Found, number>;
      if (counts[what] < 0) return;
      const left = counts.floral + counts.vegetative + counts.dead;
      const here = { planting: kept.id, season: kit.season, row: Number(row), tree: Number(tree) };
      if (left > 0) await put({ ...here, supersedes: last?.id ?? null, kind: 'cut', body: { kind, ...counts } });
      else if (last) await put({ ...here, supersedes: last.id });
    });
  }
  return (
    <main className="field-main tally">
      <PlantingBar kit={kit} at="buds" />
      <RowAndTree
        row={row}
        tree={tree}
        onChange={(at) => {
          setRow(at.row);
          setTree(at.tree);
          setPast([]);
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
              setKind(k);
              setPast([]);
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
            trees: new Set(ofKind.map((q) => `${q.entry.row}/${q.entry.tree}`)).size,
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
              add(what, 1);
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
            disabled={past.length === 0}
            onClick={() => {
              add(past.at(-1)!, -1);
            }}
            data-test="undo"
          >
            {t('field.undo')}
          </button>
        </div>
      </div>
      <BudGuide />
    </main>
  );
}

const cutOf = (q: Queued | undefined) => (q ? bodyOf(q.entry, 'cut') : null);

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
