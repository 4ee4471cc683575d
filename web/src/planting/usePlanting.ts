import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useRef, useState } from 'react';
import {
  api,
  answered,
  RequestError,
  type FieldProblem,
  type PlanEntry,
  type PlantingView,
  type PruningPlan,
} from '../api/client';
import { useMay } from '../people/session';
import { useChosenSeason } from '../stages/season/useSeason';
import type { Locale } from '../units/format';
import { useReading } from '../words/useReading';
import { problemText } from '../entry/problemText';
import { partOf, type Drafts, type PartName } from './parts';

/** Someone else saved the same part first: what was typed here, and the planting as it stands now. */
export interface Conflict {
  section: PartName;
  current: PlantingView;
}

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
  draft: <S extends PartName>(section: S) => Drafts[S];
  change: <S extends PartName>(section: S, draft: Drafts[S]) => void;
  discard: (section: PartName) => void;
  save: (section: PartName, over?: PlantingView) => Promise<void>;
  takeTheirs: (conflict: Conflict) => void;
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

export const plantingKey = (id: string, season: number | null) => ['planting', id, season] as const;

/**
 * What is typed in a part and not saved, with the planting as it stood when the typing began: a save goes against that
 * version, so that someone else's save in between is noticed even when the screen has long shown it.
 */
interface Unsaved<S extends PartName> {
  draft: Drafts[S];
  base: PlantingView;
}
type AllUnsaved = { [S in PartName]?: Unsaved<S> };

/** Unsaved typing by planting; it outlives its page, so that looking at another planting loses nothing. */
const keptTyping = new Map<string, AllUnsaved>();

/** Keeps drafts while pages change, previews the plan of what is typed, saves part by part. */
export function usePlanting(id: string): { work: PlantingWork | null; error: Error | null } {
  const reading = useReading();
  const { t, language } = reading;
  const may = useMay();
  const client = useQueryClient();
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
  const [tried, setTried] = useState<Partial<Record<PartName, FieldProblem[]>>>({});
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
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

  useEffect(() => {
    if (unsaved.length === 0) return;
    const warn = (e: BeforeUnloadEvent) => {
      e.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
    };
  }, [unsaved.length]);

  if (!view) return { work: null, error: stored.error };
  const plan = typed && preview.data ? preview.data : view.plan;

  function show(next: PlantingView) {
    client.setQueryData(plantingKey(id, season), next);
    void client.invalidateQueries({ queryKey: ['season'] });
    setConflict(null);
  }

  function forget(section: PartName) {
    setTyping((all) => without(all, section));
    setTried((all) => without(all, section));
    setFailure(null);
  }

  async function save<S extends PartName>(section: S, over?: PlantingView) {
    const mine = typing[section] as Unsaved<S> | undefined;
    if (mine === undefined) return;
    setFailure(null);
    setTried((all) => ({ ...all, [section]: all[section] ?? [] }));
    const { entry, unreadable } = partOf(section).read(mine.draft, language);
    if (unreadable.length > 0) {
      focusFirstProblem();
      return;
    }
    setSaving(true);
    try {
      const base = over ?? mine.base;
      const next = await partOf(section).save(base, entry);
      show(next);
      setTried((all) => without(all, section));
      setTyping((all) => afterSave(all, section, mine.draft, base, next));
    } catch (e) {
      if (!(e instanceof RequestError) || e.status === 503)
        setFailure(t(e instanceof RequestError ? 'failure.database' : 'failure.network'));
      else if (e.status === 409 && e.problem.current) {
        const shown = (view: PlantingView) => JSON.stringify(partOf(section).from(view, reading));
        // The other changed a different part of the same plan: nothing to choose between.
        if (over === undefined && shown(mine.base) === shown(e.problem.current)) await save(section, e.problem.current);
        else setConflict({ section, current: e.problem.current });
      } else if (e.problem.problems) {
        setTried((all) => ({ ...all, [section]: e.problem.problems! }));
        focusFirstProblem();
      } else setFailure(e.message);
    } finally {
      setSaving(false);
    }
  }

  function problem(section: PartName, field: string): string | undefined {
    if (typing[section] === undefined) return undefined;
    if (read.unreadable[section]?.includes(field)) return t('problem:text', { example: reading.number(3.5) });
    const found =
      plan.problems.find((p) => p.field === `${section}.${field}`) ?? tried[section]?.find((p) => p.field === field);
    if (!found || (found.code === 'missing' && !tried[section])) return undefined;
    return problemText(found, reading);
  }

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
      problem,
      save,
      may: (section) => may(partOf(section).act) && (!view.isPast || partOf(section).ofPlanting),
      draft: <S extends PartName>(section: S) =>
        (typing[section] as Unsaved<S> | undefined)?.draft ?? partOf(section).from(view, reading),
      change: (section, draft) => {
        setTyping((all) => ({ ...all, [section]: { draft, base: all[section]?.base ?? view } }));
      },
      discard: forget,
      takeTheirs: ({ section, current }) => {
        show(current);
        forget(section);
      },
    },
  };
}

function without<T extends object>(all: T, section: PartName): T {
  return Object.fromEntries(Object.entries(all).filter(([name]) => name !== section)) as T;
}

/** What stays unsaved after one part was saved. */
function afterSave(
  all: AllUnsaved,
  section: PartName,
  saved: Drafts[PartName],
  base: PlantingView,
  next: PlantingView,
): AllUnsaved {
  const version = partOf(section).ofPlanting ? 'plantingVersion' : 'planVersion';
  return Object.fromEntries(
    Object.entries(all).flatMap(([name, part]) => {
      if (name === section) return part.draft === saved ? [] : [[name, { ...part, base: next }]];
      // My own save is no one else's: another part typed from the same version goes on from the new one.
      return [
        [
          name,
          part.base[version] === base[version] ? { ...part, base: { ...part.base, [version]: next[version] } } : part,
        ],
      ];
    }),
  ) as AllUnsaved;
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

/** What a planting's plan is worked out from, as it is saved. */
function entryOf(view: PlantingView): PlanEntry {
  return {
    season: view.season,
    planting: view.planting,
    rows: view.rows,
    records: view.records,
    learning: view.learning,
    fruitSample: view.fruitSample,
    target: view.target,
    count: view.count,
    measured: view.measured,
    settings: view.settings,
    cutting: view.cutting,
  };
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

function focusFirstProblem() {
  requestAnimationFrame(() => {
    document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  });
}
