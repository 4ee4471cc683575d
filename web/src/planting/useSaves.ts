import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { RequestError, type FieldProblem, type PlanEntry, type PlantingView } from '../api/client';
import { problemText } from '../entry/problemText';
import type { Typing } from '../units/system';
import { useReading } from '../words/useReading';
import { isSame, merge, type Choices, type Clash } from '../entry/merge';
import { partOf, type Entries, type PartName } from './parts';
import { plantingKey } from './plantingKey';

type EntryOf = Entries[PartName];

/** What a part is to become, over what it rests on: a person's typing, or what stood before a save. */
export interface Save {
  section: PartName;
  base: EntryOf;
  mine: EntryOf;
  /** What stands in a planting, in the form of the two above. */
  standing: (view: PlantingView) => EntryOf;
  /** Whether it is typed, so that what is wrong is told at its fields. */
  isTyped: boolean;
  /** The save it undoes: neither that nor its undoing can be undone once more. */
  step?: Step;
  onSaved?: (next: PlantingView) => void;
}

/** Two people changed the same fields: what was to be saved, what stands now, and what is to be chosen. */
export interface Conflict {
  save: Save;
  current: PlantingView;
  clashes: Clash[];
}

/** A save that can be undone. */
interface Step {
  section: PartName;
  season: number;
  before: EntryOf;
  after: EntryOf;
}

/** Saves of the session by planting, the last at the end. */
const keptSteps = new Map<string, Step[]>();
const MOST_STEPS = 50;
// Others who save at the very same time, each of them a try.
const MOST_TRIES = 5;

/** Saves parts of a planting one at a time, together with what others saved meanwhile, and takes saves back. */
export function useSaves(id: string, season: number | null) {
  const reading = useReading();
  const { t } = reading;
  const client = useQueryClient();
  const [steps, setSteps] = useState<Step[]>(() => keptSteps.get(id) ?? []);
  useEffect(() => {
    keptSteps.set(id, steps);
  }, [id, steps]);
  const [tried, setTried] = useState<Partial<Record<PartName, FieldProblem[]>>>({});
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const [taken, setTaken] = useState<{ section: PartName; fields: string[] } | null>(null);

  function show(next: PlantingView) {
    client.setQueryData(plantingKey(id, season), next);
    void client.invalidateQueries({ queryKey: ['season'] });
  }

  function forget(section: PartName) {
    setTried((all) => without(all, section));
    setFailure(null);
    setConflict(null);
    setTaken(null);
  }

  async function store(save: Save, onto: PlantingView, choices: Choices = {}) {
    const { section } = save;
    forget(section);
    if (save.isTyped) setTried((all) => ({ ...all, [section]: [] }));
    setSaving(true);
    try {
      for (let turn = 1, chosen = choices; ; turn++, chosen = {}) {
        const { entry, clashes, taken } = merge(save.base, save.mine, save.standing(onto), chosen);
        if (clashes.length > 0) {
          setConflict({ save, current: onto, clashes });
          return;
        }
        try {
          const next = await partOf(section).save(onto, entry);
          const [before, after] = [keptIn(onto, section), keptIn(next, section)];
          if (save.step) setSteps((all) => all.filter((s) => s !== save.step));
          else if (!isSame(before, after))
            setSteps((all) => [...all.slice(1 - MOST_STEPS), { section, season: onto.season, before, after }]);
          show(next);
          forget(section);
          if (taken.length > 0) setTaken({ section, fields: taken });
          save.onSaved?.(next);
          return;
        } catch (e) {
          if (!(e instanceof RequestError && e.status === 409 && e.problem.current) || turn === MOST_TRIES) throw e;
          onto = e.problem.current;
        }
      }
    } catch (e) {
      if (!(e instanceof RequestError) || e.status === 503)
        setFailure(t(e instanceof RequestError ? 'failure.database' : 'failure.network'));
      else if (e.problem.problems && save.isTyped) refuse(section, e.problem.problems);
      else if (e.problem.problems) setFailure(e.problem.problems.map((p) => problemText(p, reading)).join(' '));
      else setFailure(e.message);
    } finally {
      setSaving(false);
    }
  }

  function refuse(section: PartName, problems: FieldProblem[]) {
    setTried((all) => ({ ...all, [section]: problems }));
    focusFirstProblem();
  }

  const lastOf = (section: PartName, view: PlantingView) =>
    steps.findLast((s) => s.section === section && (partOf(section).ofPlanting || s.season === view.season));

  return {
    tried,
    saving,
    failure,
    conflict,
    taken,
    store,
    refuse,
    forget,
    /** Settles a conflict: whose value stands at each of its fields. */
    settle: (choices: Choices) => (conflict ? store(conflict.save, conflict.current, choices) : Promise.resolve()),
    /** Leaves what the other saved, and what was typed as it is. */
    leave: () => {
      if (conflict) show(conflict.current);
      setConflict(null);
    },
    canUndo: (section: PartName, view: PlantingView) => lastOf(section, view) !== undefined,
    /** Takes the last save of a part back, and nothing anybody changed since. */
    undo: async (section: PartName, view: PlantingView) => {
      const step = lastOf(section, view);
      if (step === undefined) return;
      await store(
        {
          section,
          base: step.after,
          mine: step.before,
          standing: (now) => keptIn(now, section),
          isTyped: false,
          step,
        },
        view,
      );
    },
  };
}

/** What a planting's plan is worked out from, as it is saved. */
export function entryOf(view: PlantingView): PlanEntry {
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

/** A part as it is saved. */
export const keptIn = (view: PlantingView, section: PartName) => entryOf(view)[section] as EntryOf;

/** A part as it would be sent, had it been typed. */
export const typedIn = (view: PlantingView, section: PartName, typing: Typing): EntryOf =>
  partOf(section).read(partOf(section).from(view, typing), typing.language).entry;

export function without<T extends object>(all: T, section: PartName): T {
  return Object.fromEntries(Object.entries(all).filter(([name]) => name !== section)) as T;
}

function focusFirstProblem() {
  requestAnimationFrame(() => {
    document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  });
}
