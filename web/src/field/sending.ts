import { api, answered, RequestError, type FieldReceipt } from '../api/client';
import { deviceId, store, type SendState } from './queue';

/** How sending went. */
export type SyncState = 'idle' | 'sending' | 'offline' | 'signed-out' | 'forbidden' | 'elsewhere' | 'trouble';

/** A batch of trees counted limb by limb stays below what the server takes at once. */
const atOnce = 40;
const pauses = [5_000, 15_000, 60_000];

const standingOf: Record<FieldReceipt['outcome'], SendState> = {
  taken: 'sent',
  known: 'sent',
  conflict: 'conflict',
  refused: 'refused',
  // It stays in the queue until its own estate is at hand.
  elsewhere: 'waiting',
};

/**
 * Sends what waits, oldest first, one sender at a time over all tabs. An entry leaves the queue only on the server's
 * receipt.
 */
export async function send(estate: string): Promise<SyncState> {
  const work = () => sendAll(estate);
  return 'locks' in navigator ? navigator.locks.request('rama-send', work) : work();
}

async function sendAll(estate: string): Promise<SyncState> {
  try {
    const device = await deviceId();
    for (;;) {
      const waiting = (await store.queue.where('standing').equals('waiting').sortBy('sequence'))
        .filter((q) => q.estate === estate)
        .slice(0, atOnce);
      if (waiting.length === 0) break;
      const receipts = await answered(
        api.POST('/api/v1/field', {
          body: { device, sentAt: new Date().toISOString(), entries: waiting.map((q) => ({ ...q.entry, estate })) },
        }),
      );
      await store.transaction('rw', store.queue, async () => {
        for (const receipt of receipts)
          await store.queue.update(receipt.id, { standing: standingOf[receipt.outcome], problems: receipt.problems });
      });
      // A server that gives no receipt must not be asked for ever.
      if (receipts.length === 0) return 'trouble';
      // In another tab of this browser somebody went to another estate.
      if (receipts.some((r) => r.outcome === 'elsewhere')) return 'elsewhere';
    }
    for (const photo of (await store.photos.where('standing').equals('waiting').toArray()).filter(
      (p) => p.estate === estate,
    )) {
      const query = new URLSearchParams({
        at: photo.at,
        estate,
        ...(photo.row === null ? {} : { row: String(photo.row) }),
        ...(photo.tree === null ? {} : { tree: String(photo.tree) }),
        ...(photo.caption ? { caption: photo.caption } : {}),
      });
      const response = await fetch(`/api/v1/plantings/${photo.planting}/photos/${photo.id}?${query}`, {
        method: 'PUT',
        body: photo.picture,
        headers: { 'Content-Type': 'image/jpeg' },
      });
      if (response.ok) await store.photos.update(photo.id, { standing: 'sent' });
      else if ([400, 404, 413].includes(response.status)) await store.photos.update(photo.id, { standing: 'refused' });
      else if (response.status === 409) return 'elsewhere';
      else throw new RequestError(response.status, {});
    }
    return 'idle';
  } catch (e) {
    if (!(e instanceof RequestError)) return 'offline';
    return e.status === 401 ? 'signed-out' : e.status === 403 ? 'forbidden' : 'trouble';
  }
}

const POKE = 'rama:send';

/** Asks for what waits to be sent now. */
export const sendNow = () => {
  window.dispatchEvent(new Event(POKE));
};

/**
 * Sends now, at every change of the queue, and again after a while until nothing waits. The browser's word on being
 * online is not taken.
 */
export function keepSending(estate: string, told: (state: SyncState) => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let failures = 0;
  let stopped = false;
  let again = false;
  let busy = false;
  async function run() {
    clearTimeout(timer);
    if (busy) {
      again = true;
      return;
    }
    busy = true;
    told('sending');
    const state = await send(estate);
    busy = false;
    if (stopped) return;
    told(state);
    failures = state === 'idle' ? 0 : failures + 1;
    if (again) {
      again = false;
      void run();
    } else if (state === 'offline' || state === 'trouble' || state === 'elsewhere') {
      timer = setTimeout(() => void run(), pauses[Math.min(failures, pauses.length) - 1]);
    }
  }
  const poke = () => {
    void run();
  };
  const seen = () => {
    if (document.visibilityState === 'visible') poke();
  };
  window.addEventListener(POKE, poke);
  window.addEventListener('online', poke);
  document.addEventListener('visibilitychange', seen);
  poke();
  return () => {
    stopped = true;
    clearTimeout(timer);
    window.removeEventListener(POKE, poke);
    window.removeEventListener('online', poke);
    document.removeEventListener('visibilitychange', seen);
  };
}
