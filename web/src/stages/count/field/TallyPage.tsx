import { useEffect, useMemo, useRef, useState } from 'react';
import { bodyOf } from '../../../field/kinds';
import { store, type KeptKit, type TreeAtHand } from '../../../field/queue';
import { parseNumber } from '../../../units/parse';
import { useKeys } from '../../../keys/useKeys';
import { useReading } from '../../../words/useReading';
import { PhotoKey } from '../../../field/PhotoKey';
import { PlantingBar } from '../../../field/PlantingBar';
import { floralBuds, running } from './stop';
import {
  canUndo,
  digit,
  emptyTally,
  kindTotal,
  limbsOf,
  limbTotal,
  nextLimb,
  setDiameter,
  setForked,
  tap,
  toCounted,
  total,
  undo,
  type CountBy,
  type Tally,
} from './tally';
import { caliperChosen, chooseCaliper, useCaliper } from './caliper';
import { useField, useMade } from '../../../field/useField';
import { WithKit } from '../../../field/WithKit';

const skipReasons = ['missing', 'replant', 'pollinizer', 'broken', 'unlike', 'other'] as const;

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

/** How this device counts, from tree to tree. */
interface Manner {
  by: CountBy;
  limbwise: boolean;
  pad: boolean;
}

const mannerKey = 'rama.count';

function readManner(): Manner {
  try {
    return {
      by: 'floral',
      limbwise: false,
      pad: false,
      ...(JSON.parse(localStorage.getItem(mannerKey) ?? '{}') as Partial<Manner>),
    };
  } catch {
    return { by: 'floral', limbwise: false, pad: false };
  }
}

function Counting({ kept, before }: { kept: KeptKit; before: TreeAtHand | null }) {
  const { t, language, number, amount } = useReading();
  const { put } = useField();
  const { kit } = kept;
  const made = useMade(kept.id);
  const [manner, setManner] = useState(readManner);
  const own = useMemo(() => latest(made), [made]);
  const done = useMemo(
    () =>
      new Set([
        ...kit.counted.map((c) => `${c.row}/${c.tree}`),
        ...own.keys(),
        ...made.filter((q) => bodyOf(q.entry, 'skip') !== null).map((q) => `${q.entry.row}/${q.entry.tree}`),
      ]),
    [kit, own, made],
  );
  const next = kit.route.find((s) => !done.has(`${s.row}/${s.tree}`));
  const [place, setPlace] = useState<{ row: string; tree: string } | null>(
    before ? { row: before.row, tree: before.tree } : null,
  );
  const [tally, setTally] = useState<Tally>(before?.tally ?? emptyTally(manner.by, manner.limbwise));
  const [sheet, setSheet] = useState<'skip' | 'manner' | 'place' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const flash = useRef<HTMLDivElement>(null);

  const row = place?.row ?? (next ? String(next.row) : '');
  const tree = place?.tree ?? (next ? String(next.tree) : '');
  const here = { planting: kept.id, season: kit.season, row: Number(row), tree: Number(tree) };
  const stop = kit.route.find((s) => String(s.row) === row && String(s.tree) === tree);
  const kinds = tally.by === 'kinds' ? kit.kinds : [tally.by === 'floral' ? 'floral' : 'any'];
  const read = (text: string) => parseNumber(text, language);
  const girth = read(tally.girth);
  const trunk =
    girth === null || Number.isNaN(girth)
      ? null
      : kit.classes.find(
          (c) => (c.fromGirthCm == null || girth >= c.fromGirthCm) && (c.toGirthCm == null || girth < c.toGirthCm),
        );
  const oddGirth =
    girth !== null &&
    kit.girthFromCm != null &&
    kit.girthToCm != null &&
    (girth < kit.girthFromCm || girth > kit.girthToCm);

  const counted = useMemo(() => {
    const all = new Map<string, number | null>(kit.counted.map((c) => [`${c.row}/${c.tree}`, c.floralBuds]));
    for (const [key, entry] of own) all.set(key, floralBuds(bodyOf(entry.entry, 'tree')!, kit));
    return [...all.values()].filter((b) => b !== null);
  }, [kit, own]);
  const so = running(counted, kit.stop);

  // Two taps can come before the page is drawn again, so each step is made from what the one before it left.
  const step = (next: (tally: Tally) => Tally) => {
    setTally(next);
  };
  const change = (next: Tally, at = { row, tree }) => {
    setTally(next);
    setPlace(at);
  };
  // Kept at every tap: an empty battery or a closed page costs nothing.
  const begun =
    tally.past.length > 0 || tally.girth !== '' || tally.note !== '' || (place !== null && place.tree !== '');
  useEffect(() => {
    if (begun) void store.atHand.put({ planting: kept.id, row, tree, tally });
    else void store.atHand.delete(kept.id);
  }, [kept.id, row, tree, tally, begun]);
  function felt(pattern: number | number[]) {
    navigator.vibrate?.(pattern);
    const box = flash.current;
    if (!box) return;
    box.classList.remove('tally-felt');
    void box.offsetWidth;
    box.classList.add('tally-felt');
  }
  const add = (kind: string, buds = 1) => {
    step((now) => (manner.pad ? digit(now, kind, buds) : tap(now, kind, buds)));
    felt(12);
  };
  const back = () => {
    step(undo);
    felt([8, 40, 8]);
  };
  const limbDone = () => {
    step(nextLimb);
    felt(25);
  };

  function placeProblem(): string | null {
    const [r, n] = [Number(row), Number(tree)];
    if (!Number.isInteger(r) || !Number.isInteger(n) || r < 1 || n < 1) return t('field.place-missing');
    const known = kit.rows.filter((k) => k.row === r);
    if (kit.rows.length > 0 && !known.some((k) => n >= k.firstTree && n <= k.lastTree))
      return known.length === 0
        ? t('field.no-row', { row: r })
        : t('field.no-tree', { row: r, from: known[0]!.firstTree, to: known.at(-1)!.lastTree });
    return null;
  }
  function after(message: string) {
    setTally(emptyTally(manner.by, manner.limbwise));
    // Without a route the next tree most likely stands in the same row.
    setPlace(kit.route.length === 0 ? { row, tree: '' } : null);
    setSheet(null);
    setProblem(null);
    setSaid(message);
    felt([30, 60, 30]);
  }
  async function treeDone() {
    const wrong =
      placeProblem() ??
      ([tally.girth, ...tally.limbs.map((l) => l.diameter)].some((text) => Number.isNaN(read(text)))
        ? t('field.number-wrong')
        : null);
    setProblem(wrong);
    if (wrong) {
      if (placeProblem()) setSheet('place');
      return;
    }
    const earlier = own.get(`${row}/${tree}`);
    await put({
      ...here,
      supersedes: earlier?.id ?? null,
      kind: 'tree',
      body: toCounted(tally, kit.kinds, (text) => read(text), 'cm'),
    });
    after(t('field.tree-kept', { row, tree, buds: total(tally) }));
  }
  async function skip(reason: string) {
    const wrong = placeProblem();
    setProblem(wrong);
    if (wrong) return;
    await put({ ...here, kind: 'skip', body: t(`field.skip.${reason}`) });
    after(t('field.tree-skipped', { row, tree }));
  }
  const takeBack = async () => {
    const last = [...own.values()].sort((a, b) => b.sequence - a.sequence)[0];
    if (!last) return;
    await put({ ...here, row: last.entry.row ?? null, tree: last.entry.tree ?? null, supersedes: last.id });
    setSaid(t('field.taken-back', { row: last.entry.row, tree: last.entry.tree }));
  };
  function chooseManner(next: Manner) {
    setManner(next);
    localStorage.setItem(mannerKey, JSON.stringify(next));
    if (total(tally) === 0 && limbsOf(tally).length === 0)
      step((now) => ({ ...emptyTally(next.by, next.limbwise), girth: now.girth, note: now.note }));
  }
  const [caliper, setCaliper] = useState(caliperChosen);
  useCaliper(caliper, (mm) => {
    step((now) => ({ ...now, girth: number(mm / 10, 1) }));
    felt(20);
  });
  useKeys({
    ...Object.fromEntries(
      kinds.slice(0, 8).map((kind, i) => [
        String(i + 1),
        () => {
          if (!manner.pad) add(kind);
        },
      ]),
    ),
    ...(manner.pad
      ? Object.fromEntries(
          Array.from({ length: 10 }, (_, d) => [
            String(d),
            () => {
              add(kinds[0]!, d);
            },
          ]),
        )
      : {}),
    Backspace: back,
    Enter: () => {
      if (tally.limbwise) limbDone();
      else void treeDone();
    },
    d: () => void treeDone(),
    s: () => {
      setSheet('skip');
    },
  });

  const limb = tally.limbs.at(-1)!;
  return (
    <main className="field-main tally">
      <PlantingBar kit={kit} at="trees" />
      <button
        type="button"
        className="tally-place"
        onClick={() => {
          setSheet(sheet === 'place' ? null : 'place');
        }}
        data-test="place"
      >
        {row !== '' ? (
          <>
            <strong>{t('field.place', { row, tree })}</strong>{' '}
            {stop && (
              <span className="small">
                {t('field.place-more', {
                  order: stop.order,
                  of: kit.route.length,
                  metres: amount(stop.positionM, 'm', 1).number,
                  unit: amount(stop.positionM, 'm', 1).unit,
                })}
                {stop.class && ` · ${t(`class.${stop.class}`, { defaultValue: stop.class })}`}
              </span>
            )}
          </>
        ) : (
          <strong>{t('field.choose-tree')}</strong>
        )}
      </button>
      {sheet === 'place' && (
        <div className="field-sheet">
          <div className="field-pair">
            <label>
              {t('count.row')}
              <input
                inputMode="numeric"
                value={row}
                onChange={(e) => {
                  change(tally, { row: e.target.value, tree });
                }}
                data-test="row"
              />
            </label>
            <label>
              {t('count.tree')}
              <input
                inputMode="numeric"
                value={tree}
                onChange={(e) => {
                  change(tally, { row, tree: e.target.value });
                }}
                data-test="tree"
              />
            </label>
            <button
              type="button"
              className="key"
              onClick={() => {
                setSheet(null);
                setProblem(placeProblem());
              }}
            >
              {t('field.ok')}
            </button>
          </div>
          <ol className="field-stops">
            {kit.route.map((s) => (
              <li key={s.order}>
                <button
                  type="button"
                  className={done.has(`${s.row}/${s.tree}`) ? 'stop-done' : ''}
                  onClick={() => {
                    change(tally, { row: String(s.row), tree: String(s.tree) });
                    setSheet(null);
                  }}
                >
                  {done.has(`${s.row}/${s.tree}`) ? '✓ ' : ''}
                  {s.row} / {s.tree}
                </button>
              </li>
            ))}
          </ol>
        </div>
      )}
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
          <span className="tally-limb">{t('field.limb', { limb: tally.limbs.length, buds: limbTotal(limb) })}</span>
        )}
      </div>

      <StopLine so={so} said={said} planned={kit.stop.planned} />

      <div className="tally-more">
        <label>
          {t('count.girth')}{' '}
          <input
            inputMode="decimal"
            value={tally.girth}
            onChange={(e) => {
              step((now) => ({ ...now, girth: e.target.value }));
            }}
            data-test="girth"
          />{' '}
          <span className="unit">cm</span>
        </label>
        {trunk && !oddGirth && (
          <strong className="tally-class">{t(`class.${trunk.name}`, { defaultValue: trunk.name })}</strong>
        )}
        {tally.limbwise && (
          <label>
            ⌀{' '}
            <input
              inputMode="decimal"
              value={limb.diameter}
              onChange={(e) => {
                step((now) => setDiameter(now, e.target.value));
              }}
              aria-label={t('field.diameter')}
            />{' '}
            <span className="unit">mm</span>
          </label>
        )}
        {tally.limbwise && (
          <button
            type="button"
            className={limb.forked ? 'key-small key-on' : 'key-small'}
            aria-pressed={limb.forked}
            onClick={() => {
              step((now) => setForked(now, !limb.forked));
            }}
          >
            {t('field.forked')}
          </button>
        )}
        {oddGirth && (
          <span className="field-problem" role="alert">
            {t('field.girth-odd')}
          </span>
        )}
      </div>

      <div className="tally-keys">
        {manner.pad ? (
          <div className="tally-pad">
            {[1, 2, 3, 4, 5, 6, 7, 8, 9, 0].map((d) => (
              <button
                type="button"
                key={d}
                className="key"
                onClick={() => {
                  add(kinds[0]!, d);
                }}
                data-test={`digit-${d}`}
              >
                {d}
              </button>
            ))}
          </div>
        ) : (
          kinds.map((kind, i) => (
            <div className="tally-kind" key={kind}>
              <button
                type="button"
                className="key key-main"
                onClick={() => {
                  add(kind);
                }}
                data-test={`key-${kind}`}
              >
                <span>
                  +1{' '}
                  {kinds.length > 1
                    ? t(`kind.${kind}`, { defaultValue: kind })
                    : t(tally.by === 'floral' ? 'field.floral-bud' : 'field.any-bud')}
                </span>
                {kinds.length > 1 && <span className="key-count">{kindTotal(tally, kind)}</span>}
                <kbd>{i + 1}</kbd>
              </button>
              <button
                type="button"
                className="key key-five"
                onClick={() => {
                  add(kind, 5);
                }}
                data-test={`five-${kind}`}
              >
                +5
              </button>
            </div>
          ))
        )}
        <div className="tally-acts">
          <button type="button" className="key" onClick={back} disabled={!canUndo(tally)} data-test="undo">
            {t('field.undo')}
          </button>
          {tally.limbwise && (
            <button type="button" className="key" onClick={limbDone} data-test="limb-done">
              {t('field.limb-done')}
            </button>
          )}
          <button
            type="button"
            className="key"
            onClick={() => {
              setSheet(sheet === 'skip' ? null : 'skip');
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
              setSheet(sheet === 'manner' ? null : 'manner');
            }}
            data-test="manner"
          >
            {t('field.manner')}
          </button>
        </div>
        {sheet === 'skip' && (
          <div className="field-sheet" data-test="skip-reasons">
            <p>{t('field.skip-why')}</p>
            <div className="tally-acts">
              {skipReasons.map((r) => (
                <button type="button" key={r} className="key" onClick={() => void skip(r)}>
                  {t(`field.skip.${r}`)}
                </button>
              ))}
            </div>
          </div>
        )}
        {sheet === 'manner' && (
          <div className="field-sheet">
            <div className="tally-acts">
              {(['floral', 'kinds', 'all'] as const).map((by) => (
                <button
                  type="button"
                  key={by}
                  className={manner.by === by ? 'key key-on' : 'key'}
                  aria-pressed={manner.by === by}
                  onClick={() => {
                    chooseManner({ ...manner, by, pad: by === 'kinds' ? false : manner.pad });
                  }}
                  data-test={`by-${by}`}
                >
                  {t(`field.by.${by}`)}
                </button>
              ))}
            </div>
            <div className="tally-acts">
              <button
                type="button"
                className={manner.limbwise ? 'key key-on' : 'key'}
                aria-pressed={manner.limbwise}
                onClick={() => {
                  chooseManner({ ...manner, limbwise: !manner.limbwise });
                }}
                data-test="limbwise"
              >
                {t('field.limbwise')}
              </button>
              <button
                type="button"
                className={manner.pad ? 'key key-on' : 'key'}
                aria-pressed={manner.pad}
                disabled={manner.by === 'kinds'}
                onClick={() => {
                  chooseManner({ ...manner, pad: !manner.pad });
                }}
                data-test="pad"
              >
                {t('field.pad')}
              </button>
              <button
                type="button"
                className={caliper ? 'key key-on' : 'key'}
                aria-pressed={caliper}
                onClick={() => {
                  chooseCaliper(!caliper);
                  setCaliper(!caliper);
                }}
                data-test="caliper"
              >
                {t('field.caliper')}
              </button>
              <button type="button" className="key" disabled={own.size === 0} onClick={() => void takeBack()}>
                {t('field.take-back')}
              </button>
            </div>
            <label className="field-notes">
              {t('field.note')}
              <input
                value={tally.note}
                maxLength={500}
                onChange={(e) => {
                  step((now) => ({ ...now, note: e.target.value }));
                }}
              />
            </label>
            <p className="small dim">{t('field.keys')}</p>
          </div>
        )}
        <button type="button" className="key key-done" onClick={() => void treeDone()} data-test="tree-done">
          {t('field.tree-done')}
        </button>
      </div>
    </main>
  );
}

/** The newest entry in force of each tree counted on this device; one that was taken back is none. */
function latest(made: ReturnType<typeof useMade>) {
  const trees = new Map<string, (typeof made)[number]>();
  for (const queued of made) {
    const key = `${queued.entry.row}/${queued.entry.tree}`;
    if (bodyOf(queued.entry, 'tree')) trees.set(key, queued);
    else if (queued.entry.supersedes && trees.get(key)?.id === queued.entry.supersedes) trees.delete(key);
  }
  return trees;
}

const verdictMark = { 'too-few': '…', 'go-on': '→', settled: '■', 'not-settled': '◇', 'no-target': '…' };

function StopLine({ so, said, planned }: { so: ReturnType<typeof running>; said: string; planned: number }) {
  const { t, number } = useReading();
  if (!so) return <p className="tally-stop">{said || t('field.first', { planned })}</p>;
  return (
    <div className={`tally-stop tally-${so.verdict}`} data-test="stop" data-verdict={so.verdict}>
      <span className="tally-verdict" aria-hidden>
        {verdictMark[so.verdict]}
      </span>
      <span>
        <strong>{t(`field.verdict.${so.verdict}`, { count: so.more, planned })}</strong>
        <br />
        <span className="small">
          {t('field.mean', {
            mean: number(so.mean, 0),
            half: so.half95 === null ? '–' : number(so.half95, 0),
            trees: so.trees,
          })}
          {said && ` · ${said}`}
        </span>
      </span>
    </div>
  );
}
