import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { api, answered, type PlanEntry, type PlantingView, type PruningPlan } from '../api/client';
import { problemText } from '../entry/problemText';
import { useLeaveWarning } from '../entry/useLeaveWarning';
import { useMay } from '../people/session';
import { useChosenSeason } from '../stages/season/useSeason';
import type { Locale } from '../units/format';
import { useReading } from '../words/useReading';
import { partOf, type Drafts, type Entries, type PartName } from './parts';
import { plantingKey } from './plantingKey';
import { entryOf, keptIn, typedIn, useSaves, without, type Conflict } from './useSaves';
import type { Choices } from '../entry/merge';

/** One planting while it is worked on: what is saved, what is typed and not saved yet, and the plan that follows. */
export interface PlantingWork {
  view: PlantingView;
  plan: PruningPlan;
  /** All that is entered for the planting and season, with what is typed and not saved. */
  entry: PlanEntry;
  /** Parts with unsaved typing. */
  unsaved: PartName[];
  saving: boolean;
  /** A failure that has no field: the server or the network. */
  failure: string | null;
  conflict: Conflict | null;
  /** What somebody else changed meanwhile and a save left as it is. */
  taken: { section: PartName; fields: string[] } | null;
  draft: <S extends PartName>(section: S) => Drafts[S];
  change: <S extends PartName>(section: S, draft: Drafts[S]) => void;
  discard: (section: PartName) => void;
  save: (section: PartName) => Promise<void>;
  settle: (choices: Choices) => Promise<void>;
  leave: () => void;
  canUndo: (section: PartName) => boolean;
  undo: (section: PartName) => Promise<void>;
  /** Sets one thing of a part, whatever is typed in it. */
  put: <S extends PartName>(section: S, mine: Entries[S]) => Promise<void>;
  /** Whether this person may change a part of this season. */
  may: (section: PartName) => boolean;
  /** What is wrong at a field of a part, if it should be said now. */
  problem: (section: PartName, field: string) => string | undefined;
}

export const PlantingWorkContext = createContext<PlantingWork | null>(null);

export function usePlantingWork(): PlantingWork {
  const work = useContext(PlantingWorkContext);
  if (!work) throw new Error('usePlantingWork belongs below a planting page');
  return work;
}

/**
 * What is typed in a part and not saved, with the part as it stood when the typing began: what others saved in between
 * is told apart from it, even when the screen has long shown that.
 */
interface Unsaved<S extends PartName> {
  draft: Drafts[S];
  base: Entries[S];
}
type AllUnsaved = { [S in PartName]?: Unsaved<S> };

/** Unsaved typing by planting; it outlives its page, so that looking at another planting loses nothing. */
const keptTyping = new Map<string, AllUnsaved>();

/** Keeps drafts while pages change, previews the plan of what is typed, saves part by part. */
export function usePlanting(id: string): { work: PlantingWork | null; error: Error | null } {
  const reading = useReading();
  const { t, language } = reading;
  const may = useMay();
  const season = useChosenSeason();
  const stored = useQuery({
    queryKey: plantingKey(id, season),
    queryFn: () =>
      answered(
        api.GET('/api/v1/plantings/{id}', { params: { path: { id }, query: season === null ? {} : { season } } }),
      ),
    staleTime: 0,
  });
  const [typing, setTyping] = useState<AllUnsaved>(() => keptTyping.get(id) ?? {});
  useEffect(() => {
    keptTyping.set(id, typing);
  }, [id, typing]);
  const saves = useSaves(id, season);
  const { tried } = saves;
  const view = stored.data;

  const unsaved = Object.keys(typing) as PartName[];
  const read = useMemo(() => readAll(typing, language), [typing, language]);
  const saved = useMemo(() => (view ? entryOf(view) : null), [view]);
  const typed: PlanEntry | null = useMemo(
    () => (saved && unsaved.length > 0 ? { ...saved, ...read.entries } : null),
    [saved, unsaved.length, read],
  );
  const settled = useThrottled(typed, 120);
  const preview = useQuery({
    queryKey: ['plan', settled],
    queryFn: ({ signal }) => answered(api.POST('/api/v1/calculations/plan', { body: settled!, signal })),
    enabled: settled !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
  });

  useLeaveWarning(unsaved.length > 0);

  if (!view) return { work: null, error: stored.error };
  const plan = typed && preview.data ? preview.data : view.plan;

  async function save<S extends PartName>(section: S) {
    const mine = typing[section] as Unsaved<S> | undefined;
    if (mine === undefined) return;
    const { entry, unreadable } = partOf(section).read(mine.draft, language);
    if (unreadable.length > 0) {
      saves.refuse(section, []);
      return;
    }
    await saves.store(
      {
        section,
        base: mine.base,
        mine: entry,
        standing: (now) => typedIn(now, section, reading),
        isTyped: true,
        onSaved: (next) => {
          // What was typed on while it was being saved goes on from what is saved now.
          setTyping((all) =>
            all[section] === undefined || all[section].draft === mine.draft
              ? without(all, section)
              : { ...all, [section]: { ...all[section], base: typedIn(next, section, reading) } },
          );
        },
      },
      view!,
    );
  }

  function problem(section: PartName, field: string): string | undefined {
    if (typing[section] === undefined) return undefined;
    if (read.unreadable[section]?.includes(field)) return t('problem:text', { example: reading.number(3.5) });
    const found =
      plan.problems.find((p) => p.field === `${section}.${field}`) ?? tried[section]?.find((p) => p.field === field);
    if (!found || (found.code === 'missing' && !tried[section])) return undefined;
    return problemText(found, reading);
  }

  const discard = (section: PartName) => {
    setTyping((all) => without(all, section));
    saves.forget(section);
  };
  const { saving, failure, conflict, taken, settle } = saves;
  return {
    error: null,
    work: {
      view,
      plan,
      entry: settled ?? saved!,
      unsaved,
      saving,
      failure,
      conflict,
      taken,
      problem,
      save,
      discard,
      settle,
      leave: () => {
        const section = conflict?.save.section;
        saves.leave();
        if (section) discard(section);
      },
      canUndo: (section) => saves.canUndo(section, view),
      undo: (section) => saves.undo(section, view),
      put: (section, mine) =>
        saves.store(
          { section, base: keptIn(view, section), mine, standing: (now) => keptIn(now, section), isTyped: false },
          view,
        ),
      may: (section) => may(partOf(section).act) && (!view.isPast || partOf(section).ofPlanting),
      draft: <S extends PartName>(section: S) =>
        (typing[section] as Unsaved<S> | undefined)?.draft ?? partOf(section).from(view, reading),
      change: (section, draft) => {
        setTyping((all) => ({
          ...all,
          [section]: { draft, base: all[section]?.base ?? typedIn(view, section, reading) },
        }));
      },
    },
  };
}

function readAll(typing: AllUnsaved, language: Locale) {
  const entries: Partial<PlanEntry> = {};
  const unreadable: Partial<Record<PartName, string[]>> = {};
  function take<S extends PartName>(section: S) {
    const part = typing[section] as Unsaved<S> | undefined;
    if (part === undefined) return;
    const read = partOf(section).read(part.draft, language);
    Object.assign(entries, { [section]: read.entry });
    unreadable[section] = read.unreadable;
  }
  (Object.keys(typing) as PartName[]).forEach(take);
  return { entries, unreadable };
}

/** A value at most so often while it keeps changing, as when a point is dragged; null passes at once. */
function useThrottled<T>(value: T | null, milliseconds: number): T | null {
  const [passed, setPassed] = useState(value);
  const last = useRef(0);
  useEffect(() => {
    const timer = setTimeout(
      () => {
        last.current = Date.now();
        setPassed(value);
      },
      value === null ? 0 : Math.max(20, last.current + milliseconds - Date.now()),
    );
    return () => {
      clearTimeout(timer);
    };
  }, [value, milliseconds]);
  return value === null ? null : passed;
}
