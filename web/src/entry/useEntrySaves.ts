import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { RequestError } from '../api/client';
import { useSession } from '../people/session';
import { useReading } from '../words/useReading';
import { keptSaves } from './keptSaves';
import { isSame, merge, type Clash } from './merge';
import { useAttempt } from './useAttempt';
import { useKeptSaves } from './useKeptSaves';

/** An entry that is saved as a whole. */
export interface SavedEntry<E extends object> {
  /** What it is of, such as a site; its saves are taken back under this name. */
  of: string;
  /** What stands; null where nothing does. */
  standing: E | null;
  /** Puts another in its place, over the version it was read at. */
  put: (entry: E) => Promise<unknown>;
  /** Takes it away; a first save cannot be taken back without. */
  remove?: () => Promise<unknown>;
}

/** What a person made of an entry, what stood when they began, and what stands now. */
export interface Typed<E> {
  base: E;
  mine: E;
  now: E;
}

/** Saves an entry together with what others saved meanwhile, and takes the last save of the session back, but nothing anybody changed since. */
export function useEntrySaves<E extends object>({ of, standing, put, remove }: SavedEntry<E>) {
  const { t } = useReading();
  const client = useQueryClient();
  const { attempt, ...told } = useAttempt();
  const { refuse } = told;
  const last = useKeptSaves(of, standing).at(-1);
  // In another tab somebody may have gone to another of their estates: what is typed here belongs to this one.
  const estate = useSession().data?.here?.estateId;
  const [home] = useState(estate);
  const [clashes, setClashes] = useState<Clash[]>([]);
  // Enter and a click, or a thumb that taps twice, save once.
  const running = useRef(false);

  /** True when it was done and all pages were told. */
  async function store(act: () => Promise<unknown>, done: () => void): Promise<boolean> {
    if (estate !== home) {
      refuse(t('form-elsewhere'));
      return false;
    }
    if (running.current) return false;
    running.current = true;
    let othersFirst = false;
    const ended = await attempt(async () => {
      try {
        await act();
        done();
      } catch (e) {
        if (!isOthersSave(e)) throw e;
        othersFirst = true;
      }
      // Where others were first, what they saved is what the next try stands on.
      await client.invalidateQueries();
    });
    running.current = false;
    if (othersFirst) refuse(t('form-changed'));
    return ended && !othersFirst;
  }

  return {
    ...told,
    /** What others said otherwise at the last try. */
    clashes,
    /** Leaves what was said of the last try. */
    forget: () => {
      setClashes([]);
      refuse(null);
    },
    /** Where both changed the same, nothing is saved; what is `left` is to be saved once more, over what stands now. */
    save: async ({ base, mine, now }: Typed<E>, onSaved?: () => void): Promise<{ saved: boolean; left?: E }> => {
      const { entry, clashes: found } = merge(base, mine, now);
      setClashes(found);
      if (found.length > 0) {
        refuse(t('form-clash'));
        return { saved: false, left: entry };
      }
      const saved = await store(
        () => put(entry),
        () => {
          if (!isSame(standing ?? {}, entry)) keptSaves.add(of, { before: standing });
          // Before the pages are told: a next form may be opened meanwhile.
          onSaved?.();
        },
      );
      return { saved };
    },
    canUndo: last?.after !== undefined && (last.before !== null || remove !== undefined),
    undo: async (): Promise<boolean> => {
      if (last?.after === undefined) return false;
      const { entry, clashes, taken } = merge(last.after, last.before ?? {}, standing ?? {});
      if (clashes.length > 0 || (last.before === null && taken.length > 0)) {
        refuse(t('undo-clash'));
        return false;
      }
      return store(
        () => (last.before === null ? remove!() : put(entry as E)),
        () => {
          keptSaves.drop(of, last);
        },
      );
    },
  };
}

const isOthersSave = (e: unknown) =>
  e instanceof RequestError && (e.status === 409 || e.problem.problems?.some((p) => p.code === 'changed') === true);
