import { useLiveQuery } from 'dexie-react-hooks';
import { createContext, useContext, useEffect } from 'react';
import { api, answered, RequestError } from '../api/client';
import type { Language } from '../units/format';
import type { UnitSystem } from '../units/system';
import { useReading } from '../words/useReading';
import { keepRow } from './lastRow';
import { sendNow, type SyncState } from './sending';
import { enqueue, store, type KeptKit, type Maker, type NewEntry, type Queued } from './queue';

/**
 * What every field page shares: for which estate it works, how sending goes, and a way to put something into the queue.
 */
export interface FieldWork {
  estate: string;
  state: SyncState;
  waiting: number;
  put: (entry: NewEntry) => Promise<Queued>;
  poke: () => void;
}

export const FieldContext = createContext<FieldWork | null>(null);

export function useField(): FieldWork {
  const work = useContext(FieldContext);
  if (!work) throw new Error('useField belongs below the field shell');
  return work;
}

/** Makes what puts entries into the queue and has them sent. */
export const putter = (maker: Maker) => async (entry: NewEntry) => {
  const queued = await enqueue(maker, entry);
  if (entry.row !== null) keepRow(entry.planting, entry.row);
  sendNow();
  return queued;
};

/** Language and units a card is taken along in. */
interface Reading {
  language: Language;
  units: UnitSystem;
}

/** Fetches the kit of a planting and keeps it; without an answer the kept one stays. */
export async function takeAlong(estate: string, id: string, reading: Reading): Promise<void> {
  try {
    const kit = await answered(
      api.GET('/api/v1/plantings/{id}/kit', {
        params: { path: { id }, query: reading },
        signal: AbortSignal.timeout(15_000),
      }),
    );
    await store.kits.put({ id, estate, kit, at: new Date().toISOString() });
  } catch (e) {
    // No longer there: whoever opens it should not count for nothing.
    if (e instanceof RequestError && e.status === 404) await store.kits.delete(id);
  }
}

/**
 * The planting as it was last taken along, brought up to date when there is signal. Undefined while it is looked for,
 * null when it never was.
 */
export function useKit(id: string): KeptKit | null | undefined {
  const { estate, state } = useField();
  const { words: language, system: units } = useReading();
  // Up to date again after everything was sent: the office then knows these trees too.
  useEffect(() => {
    if (state === 'idle') void takeAlong(estate, id, { language, units });
  }, [estate, id, state, language, units]);
  return useLiveQuery(async () => {
    const kept = await store.kits.get(id);
    return kept?.estate === estate ? kept : null;
  }, [id, estate]);
}

/** What this device made for a planting, the oldest first. */
export function useMade(planting: string): Queued[] {
  return useLiveQuery(() => store.queue.where('planting').equals(planting).sortBy('sequence'), [planting]) ?? [];
}
