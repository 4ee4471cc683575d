import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, answered, RequestError, SIGNED_OUT, type Act, type SessionView } from '../api/client';
import { keptSession } from '../offline/keptSession';

export const sessionKey = ['session'] as const;

/** Who is signed in, in which estate, and what they may do there. */
export function useSession() {
  const client = useQueryClient();
  useEffect(() => {
    // Any answer may tell that the session is over; what is on the screen stays there meanwhile.
    const over = () => {
      client.setQueryData<SessionView>(sessionKey, (s) => s && { ...s, state: 'signedOut' });
    };
    window.addEventListener(SIGNED_OUT, over);
    return () => {
      window.removeEventListener(SIGNED_OUT, over);
    };
  }, [client]);
  return useQuery({ queryKey: sessionKey, queryFn: readSession, staleTime: 60_000, retry: false });
}

/** Whether the page at hand is one for the field, which works without server and sign-in. */
export const inField = () => window.location.pathname.startsWith('/field');

/** Asked for by a field page whose entries wait for a sign-in. */
export const ASK_SIGN_IN = 'rama:ask-sign-in';

/**
 * Without an answer in time, whoever was signed in last on this device goes on with what it keeps; the server decides
 * again when it sends.
 */
async function readSession(): Promise<SessionView> {
  try {
    const session = await answered(api.GET('/api/v1/session', { signal: AbortSignal.timeout(6_000) }));
    if (session.state === 'signedIn') keptSession.write(session);
    // In a row nobody signs in with cold fingers: counting goes on, and sending waits for the sign-in.
    const kept = session.state === 'signedOut' && inField() ? keptSession.read() : null;
    return kept ? { ...kept, state: 'signedOut' } : session;
  } catch (e) {
    const kept = e instanceof RequestError && e.status < 500 ? null : keptSession.read();
    if (kept) return kept;
    throw e;
  }
}

/** Whether the person may do something in the estate at hand; the server decides, this only spares a vain try. */
export function useMay(): (act: Act) => boolean {
  const session = useSession();
  return (act) => session.data?.here?.may.includes(act) ?? false;
}

/** Goes to work in another of one's estates; nothing of the one left behind stays on the screen. */
export async function goToEstate(estate: string, page = '/'): Promise<void> {
  await answered(api.PUT('/api/v1/session/estate', { body: { estate } }));
  window.location.assign(page);
}

/** Ends the session and what this device knows of it; what waits to be sent stays. */
export async function signOut(): Promise<void> {
  await answered(api.DELETE('/api/v1/session'));
  await keptSession.forget();
}
