import { store, type Queued, type QueuedPhoto } from './queue';

/** What the server refused; it stays on this device for good. */
export interface NotTaken {
  entries: Queued[];
  photos: QueuedPhoto[];
}

export async function readNotTaken(): Promise<NotTaken> {
  return {
    entries: (await store.queue.where('standing').equals('refused').toArray()).sort((a, b) => b.sequence - a.sequence),
    photos: await store.photos.where('standing').equals('refused').toArray(),
  };
}

export const countNotTaken = async () =>
  (await store.queue.where('standing').equals('refused').count()) +
  (await store.photos.where('standing').equals('refused').count());

/** Puts all of it back among what waits: what was in the way may have been mended in the office. */
export async function sendAgain(): Promise<void> {
  await store.transaction('rw', store.queue, store.photos, async () => {
    await store.queue.where('standing').equals('refused').modify({ standing: 'waiting' });
    await store.photos.where('standing').equals('refused').modify({ standing: 'waiting' });
  });
}

/** All of it as a file, so that the office has it whatever becomes of the device. */
export function asFile({ entries, photos }: NotTaken): Blob {
  const told = {
    entries: entries.map(({ entry, estate, problems }) => ({ ...entry, estate, problems })),
    photos: photos.map(({ id, estate, planting, row, tree, at }) => ({ id, estate, planting, row, tree, at })),
  };
  return new Blob([JSON.stringify(told, null, 2)], { type: 'application/json' });
}
