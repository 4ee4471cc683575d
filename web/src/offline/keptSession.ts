import type { SessionView } from '../api/client';

const key = 'rama.session';

/**
 * Who was signed in last on this device, for a start without signal. Holds names and roles, and nothing that signs
 * anybody in.
 */
export const keptSession = {
  read(): SessionView | null {
    try {
      return JSON.parse(localStorage.getItem(key) ?? 'null') as SessionView | null;
    } catch {
      return null;
    }
  },
  write(session: SessionView) {
    localStorage.setItem(key, JSON.stringify(session));
  },
  /** At sign-out the plans go too; what waits to be sent stays, tied to its estate. */
  async forget() {
    localStorage.removeItem(key);
    const { store } = await import('../field/queue');
    await store.kits.clear().catch(() => undefined);
    await store.kept
      .where('key')
      .startsWith('today:')
      .delete()
      .catch(() => undefined);
  },
};
