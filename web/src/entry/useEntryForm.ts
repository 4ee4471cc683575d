import { useState } from 'react';
import { useReading } from '../words/useReading';
import { readDraft, toDraft, type Draft, type FormSpec } from './draft';
import { fieldControls } from './fieldControls';
import { useEntrySaves, type SavedEntry } from './useEntrySaves';
import { useLeaveWarning } from './useLeaveWarning';

/** An entry with the form it is typed in. */
interface EntryForm<E extends object> extends SavedEntry<E> {
  /** Its fields are known as those of this section. */
  section: string;
  /** How its fields are typed; what is chosen, not typed, is left out. */
  spec: FormSpec;
  /** What is shown where nothing stands. */
  usual?: E;
  /** Whether that can be saved as it is. */
  takesUsual?: boolean;
  /** Once it is saved. */
  onSaved?: () => void;
}

/** What is typed and chosen and not saved, over what stood when that began. */
interface Typing<E> {
  draft: Draft;
  chosen: Partial<E>;
  base: E;
}

/**
 * The form of an entry that is saved as a whole. What others saved while somebody typed is kept where they did not
 * touch it; where they did, they are told and asked to save again.
 */
export function useEntryForm<E extends object>(form: EntryForm<E>) {
  const reading = useReading();
  const { t, language } = reading;
  const { section, spec, standing, usual, takesUsual = false, onSaved } = form;
  const { save: store, undo, forget, clashes, unreadable, problem: refused, ...saves } = useEntrySaves(form);
  const [typing, setTyping] = useState<Typing<E> | null>(null);
  const shown = (standing ?? usual ?? {}) as E;
  const asTyped = (entry: E): E => ({ ...entry, ...readDraft<E>(spec, toDraft(spec, entry, reading), language).entry });
  const { draft, chosen } = typing ?? { draft: toDraft(spec, shown, reading), chosen: {} as Partial<E> };
  const isDirty = typing !== null;
  const isOffered = standing === null && takesUsual;
  const change = (by: Partial<Typing<E>>) => {
    setTyping({ draft, chosen, base: typing?.base ?? asTyped(shown), ...by });
  };

  useLeaveWarning(isDirty);

  async function save() {
    if (!isDirty && !isOffered) return;
    const read = readDraft<E>(spec, draft, language);
    if (read.unreadable.length > 0) {
      unreadable(read.unreadable);
      return;
    }
    const now = asTyped(shown);
    const base = typing?.base ?? now;
    const mine = { ...base, ...read.entry, ...chosen };
    const { saved, left } = await store({ base, mine, now }, onSaved);
    // Mine stands where both changed it, and theirs where only they did.
    if (left) change({ draft: toDraft(spec, left, reading), base: now });
    if (saved) setTyping((all) => (all === typing ? null : all && { ...all, base: mine }));
  }

  const theirs = (path: string) => {
    if (!clashes.some((c) => c.path === path)) return undefined;
    const { text, unit } = toDraft(spec, shown, reading)[path] ?? { text: '' };
    return t('form-clash-field', { value: `${text || '–'}${text && unit ? ` ${unit}` : ''}` });
  };
  const problem = (path: string) => refused(path) ?? theirs(path);

  return {
    ...saves,
    problem,
    /** The inputs of what is typed. */
    fields: fieldControls(
      section,
      draft,
      (next) => {
        change({ draft: next });
      },
      problem,
      t,
      () => void save(),
    ),
    /** What is chosen, with what stands of the rest. */
    chosen: { ...shown, ...chosen },
    choose: (by: Partial<E>) => {
      change({ chosen: { ...chosen, ...by } });
    },
    isDirty,
    isOffered,
    isSaved: !isDirty && standing !== null,
    save: () => void save(),
    discard: () => {
      setTyping(null);
      forget();
    },
    undo: () => void undo(),
  };
}
