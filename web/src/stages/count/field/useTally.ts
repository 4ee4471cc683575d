import { useEffect, useRef, useState } from 'react';
import { tallyKeys } from '../../../keys/ofPages';
import { useKeys } from '../../../keys/useKeys';
import { bodyOf } from '../../../field/kinds';
import { lastRow } from '../../../field/lastRow';
import { store, type KeptKit, type Queued, type TreeAtHand } from '../../../field/queue';
import { classOfGirth } from '../../../field/trunkClass';
import { useField } from '../../../field/useField';
import { decimalOf } from '../../../units/format';
import { parseNumber } from '../../../units/parse';
import { useReading } from '../../../words/useReading';
import { caliperChosen, chooseCaliper, useCaliper } from './caliper';
import { keepManner, readManner, type Manner } from './manner';
import { Bounce, doubtsOf, type Doubt } from './doubts';
import {
  digit,
  emptyTally,
  fromCounted,
  limbsOf,
  nextLimb,
  sign,
  tap,
  toCounted,
  total,
  undo,
  unsign,
  type PadAt,
  type Tally,
} from './tally';
import { useCountedTrees } from './useCountedTrees';

/** Where in the row, and the tree at hand. */
export interface TallyPlace {
  row: string;
  tree: string;
}

/** What lies open over the keys. */
export type TallySheet = 'skip' | 'manner' | 'place';

/** Counts trees of a planting one after another: the tree at hand, where it is, and what a tap does to it. */
export function useTally(kept: KeptKit, before: TreeAtHand | null) {
  const { t, language, number } = useReading();
  const { put } = useField();
  const { kit } = kept;
  const { own, done, so, next } = useCountedTrees(kept);
  const [manner, setManner] = useState(readManner);
  const [place, setPlace] = useState<TallyPlace | null>(before ? { row: before.row, tree: before.tree } : null);
  const [tally, setTally] = useState<Tally>(before?.tally ?? emptyTally(manner.by, manner.limbwise));
  const [sheet, setSheet] = useState<TallySheet | null>(kit.route.length === 0 && !before?.tree ? 'place' : null);
  const [doubts, setDoubts] = useState<Doubt[]>([]);
  // The entry that is being put right; its place may be mended too.
  const [mending, setMending] = useState<string | null>(before?.mending ?? null);
  // What the pad types into.
  const [at, setAt] = useState<PadAt>('buds');
  const [bounce] = useState(() => new Bounce());
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const decimal = decimalOf(language);
  const flash = useRef<HTMLDivElement>(null);

  const row = place?.row ?? (next ? String(next.row) : lastRow(kept.id));
  const tree = place?.tree ?? (next ? String(next.tree) : '');
  const here = { planting: kept.id, season: kit.season, row: Number(row), tree: Number(tree) };
  const stop = kit.route.find((s) => String(s.row) === row && String(s.tree) === tree);
  const kinds = tally.by === 'kinds' ? kit.kinds : [tally.by === 'floral' ? 'floral' : 'any'];
  const read = (text: string) => parseNumber(text, language);
  const girth = read(tally.girth);
  const trunk = girth === null || Number.isNaN(girth) ? null : classOfGirth(kit.classes, girth);
  const oddGirth =
    girth !== null &&
    kit.girthFromCm != null &&
    kit.girthToCm != null &&
    (girth < kit.girthFromCm || girth > kit.girthToCm);

  // Two taps can come before the page is drawn again, so each step is made from what the one before it left.
  const step = (next: (tally: Tally) => Tally) => {
    setTally(next);
    setDoubts([]);
  };
  const change = (next: Tally, at = { row, tree }) => {
    setTally(next);
    setPlace(at);
  };
  // Kept at every tap: an empty battery or a closed page costs nothing.
  const begun =
    tally.past.length > 0 || tally.girth !== '' || tally.note !== '' || (place !== null && place.tree !== '');
  useEffect(() => {
    if (begun) void store.atHand.put({ planting: kept.id, row, tree, tally, mending });
    else void store.atHand.delete(kept.id);
  }, [kept.id, row, tree, tally, mending, begun]);
  function felt(pattern: number | number[]) {
    navigator.vibrate?.(pattern);
    const box = flash.current;
    if (!box) return;
    box.classList.remove('tally-felt');
    void box.offsetWidth;
    box.classList.add('tally-felt');
  }
  const add = (kind: string, buds = 1) => {
    // Which tree it is comes before its buds, not after 87 of them.
    if (row === '' || tree === '') {
      setProblem(t('field.place-missing'));
      setSheet('place');
      return;
    }
    step((now) => (manner.pad ? digit(now, kind, buds) : tap(now, kind, buds)));
    felt(12);
  };
  /** A key of the pad. */
  const press = (key: string) => {
    if (at === 'buds') {
      if (/\d/.test(key)) add(kinds[0]!, Number(key));
      return;
    }
    step((now) => sign(now, at, key));
    felt(12);
  };
  const back = () => {
    if (at !== 'buds') step((now) => unsign(now, at));
    else step(undo);
    felt([8, 40, 8]);
  };
  const limbDone = () => {
    // After a measure the pad goes on with the buds; only from there a limb is done.
    if (at === 'buds') step(nextLimb);
    setAt('buds');
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
    // Which tree it is comes before its buds, not after them.
    setSheet(kit.route.length === 0 ? 'place' : null);
    setProblem(null);
    setDoubts([]);
    setMending(null);
    setAt('buds');
    setSaid(message);
    felt([30, 60, 30]);
  }
  async function treeDone(sure = false) {
    // Of a tree that nothing was said of yet, or a question that has just come up, it is no answer.
    if ((sure || tally.past.length === 0) && !bounce.isAnother()) return;
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
    const known = kit.counted.find((c) => c.row === here.row && c.tree === here.tree);
    const again =
      earlier && earlier.id !== mending
        ? { buds: budsOf(earlier) }
        : !earlier && known
          ? { buds: known.floralBuds === null ? null : Math.round(known.floralBuds) }
          : null;
    const odd = doubtsOf(tally, kit, { oddGirth, earlier: again });
    if (!sure && odd.length > 0) {
      setDoubts(odd);
      setSheet(null);
      bounce.happened();
      felt([60, 60, 60]);
      return;
    }
    bounce.happened();
    await put({
      ...here,
      supersedes: mending ?? earlier?.id ?? null,
      kind: 'tree',
      body: toCounted(tally, kit.kinds, (text) => read(text), 'cm'),
    });
    after(t('field.tree-kept', { row, tree, buds: total(tally) }));
  }
  async function skip(reason: string) {
    const wrong = placeProblem();
    setProblem(wrong);
    if (wrong) return;
    await put({ ...here, supersedes: mending, kind: 'skip', body: t(`field.skip.${reason}`) });
    after(t('field.tree-skipped', { row, tree }));
  }
  const takeBack = async () => {
    const last = [...own.values()].sort((a, b) => b.sequence - a.sequence)[0];
    if (!last) return;
    await put({ ...here, row: last.entry.row ?? null, tree: last.entry.tree ?? null, supersedes: last.id });
    setSaid(t('field.taken-back', { row: last.entry.row, tree: last.entry.tree }));
  };
  /** Takes up a tree counted before, to put its numbers or its place right. */
  const takeUp = (queued: Queued) => {
    setMending(queued.id);
    setTally(fromCounted(bodyOf(queued.entry, 'tree')!, (value) => number(value, 1)));
    setPlace({ row: String(queued.entry.row ?? ''), tree: String(queued.entry.tree ?? '') });
    setSheet(null);
    setProblem(null);
    setDoubts([]);
    setSaid(t('field.taken-up', { row: queued.entry.row, tree: queued.entry.tree }));
  };
  function chooseManner(next: Manner) {
    setManner(next);
    keepManner(next);
    if (total(tally) === 0 && limbsOf(tally).length === 0)
      step((now) => ({ ...emptyTally(next.by, next.limbwise), girth: now.girth, note: now.note }));
  }
  const [caliper, setCaliper] = useState(caliperChosen);
  useCaliper(caliper, (mm) => {
    step((now) => ({ ...now, girth: number(mm / 10, 1) }));
    felt(20);
  });
  useKeys(
    {
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
                press(String(d));
              },
            ]),
          )
        : {}),
      '.': () => {
        press(decimal);
      },
      ',': () => {
        press(decimal);
      },
      Backspace: back,
      Enter: () => {
        if (tally.limbwise || at !== 'buds') limbDone();
        else void treeDone();
      },
      d: () => void treeDone(doubts.length > 0),
      s: () => {
        setSheet('skip');
      },
    },
    tallyKeys,
  );

  return {
    ...{ row, tree, stop, tally, kinds, manner, sheet, problem, said, so, done, flash, caliper, doubts },
    /** Trees of this device in force, the latest first. */
    ownTrees: [...own.values()].sort((a, b) => b.sequence - a.sequence),
    /** Trunk class by the girth typed; null without one. */
    trunk: oddGirth ? null : trunk,
    oddGirth,
    /** Whether there is a tree of this device to take back. */
    canTakeBack: own.size > 0,
    /** The decimal sign of the reader, for the pad. */
    decimal,
    at,
    typeAt: setAt,
    press,
    ...{ step, add, back, limbDone, treeDone, skip, takeBack, takeUp, chooseManner },
    /** Goes on counting the tree that was asked about. */
    countOn: () => {
      setDoubts([]);
    },
    goTo: (at: TallyPlace) => {
      change(tally, at);
    },
    /** Opens what lies over the keys, or closes it where it is open. */
    toggle: (which: TallySheet) => {
      setSheet(sheet === which ? null : which);
    },
    close: () => {
      setSheet(null);
    },
    checkPlace: () => {
      setSheet(null);
      setProblem(placeProblem());
    },
    toggleCaliper: () => {
      chooseCaliper(!caliper);
      setCaliper(!caliper);
    },
  };
}

const budsOf = ({ entry }: Queued) => {
  const body = bodyOf(entry, 'tree');
  return body?.floralBuds ?? body?.buds ?? null;
};

/** A tree being counted, with what can be done to it. */
export type TallyWork = ReturnType<typeof useTally>;
