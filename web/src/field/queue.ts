import Dexie, { type Table } from 'dexie';
import type { FieldEntry, FieldKit, FieldProblem } from '../api/client';
import type { Told } from './kinds';
import type { Tally } from '../stages/count/field/tally';

/** Where something made on this device stands. */
export type SendState = 'waiting' | 'sent' | 'conflict' | 'refused';

/** Where something is told, and which entry it takes the place of. */
interface Place {
  planting: string;
  season: number;
  row: number | null;
  tree: number | null;
  supersedes?: string | null;
}

/** An entry when it is made: it tells something, or only takes another back. */
export type NewEntry = Place & (Told | { supersedes: string; kind?: undefined });

/** For whom something is kept. */
export interface Maker {
  estate: string;
  /** Null where nobody has signed in on this device yet. */
  person: string | null;
}

/**
 * An entry made on this device; it stays here, sent or not, so that nothing made in the field is ever only on its way.
 */
export interface Queued {
  id: string;
  sequence: number;
  estate: string;
  planting: string;
  at: string;
  entry: FieldEntry;
  standing: SendState;
  problems?: FieldProblem[];
}

/** A photograph taken on this device. */
export interface QueuedPhoto {
  id: string;
  estate: string;
  planting: string;
  row: number | null;
  tree: number | null;
  at: string;
  /** What it shows; left out for nothing. */
  caption?: string;
  picture: Blob;
  /** A draft waits for its caption and is not sent yet. */
  standing: SendState | 'draft';
}

/** A planting taken along. */
export interface KeptKit {
  id: string;
  estate: string;
  kit: FieldKit;
  at: string;
}

/** The tree being counted; written at every tap, so that an empty battery costs nothing. */
export interface TreeAtHand {
  planting: string;
  row: string;
  tree: string;
  tally: Tally;
  /** The entry that is being put right. */
  mending?: string | null;
}

/** What this device keeps for work without signal. */
class FieldStore extends Dexie {
  kits!: Table<KeptKit, string>;
  queue!: Table<Queued, string>;
  photos!: Table<QueuedPhoto, string>;
  atHand!: Table<TreeAtHand, string>;
  kept!: Table<{ key: string; value: unknown }, string>;

  constructor() {
    super('rama-field');
    this.version(1).stores({
      kits: 'id, estate',
      queue: 'id, sequence, planting, standing',
      photos: 'id, planting, standing',
      atHand: 'planting',
      kept: 'key',
    });
  }
}

export const store = new FieldStore();

/** This device, by a name made up once. */
export async function deviceId(): Promise<string> {
  return store.transaction('rw', store.kept, async () => {
    const kept = await store.kept.get('device');
    if (kept) return kept.value as string;
    const value = crypto.randomUUID();
    await store.kept.put({ key: 'device', value });
    return value;
  });
}

/** Puts an entry into the queue; its number is one more than the last, also after the page was closed. */
export async function enqueue({ estate, person }: Maker, entry: NewEntry): Promise<Queued> {
  return store.transaction('rw', store.kept, store.queue, async () => {
    const sequence = (((await store.kept.get('sequence'))?.value as number | undefined) ?? 0) + 1;
    const [id, at] = [crypto.randomUUID(), new Date().toISOString()];
    const queued: Queued = {
      id,
      sequence,
      estate,
      planting: entry.planting,
      at,
      entry: { ...entry, id, sequence, at, person, estate },
      standing: 'waiting',
    };
    await store.kept.put({ key: 'sequence', value: sequence });
    await store.queue.add(queued);
    return queued;
  });
}

/** Photographs whose page was closed before a caption was given are sent without one. */
export const sendDrafts = () => store.photos.where('standing').equals('draft').modify({ standing: 'waiting' });

/** How many entries and photographs wait, by the estate they were made for. */
export async function waitingByEstate(): Promise<Map<string, number>> {
  const waiting = [
    ...(await store.queue.where('standing').equals('waiting').toArray()),
    ...(await store.photos.where('standing').equals('waiting').toArray()),
  ];
  const counts = new Map<string, number>();
  for (const { estate } of waiting) counts.set(estate, (counts.get(estate) ?? 0) + 1);
  return counts;
}
