import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, answered, SIGNED_OUT, type Act, type Session } from '../api/client';

export const sessionKey = ['session'] as const;

/** Who is signed in, in which estate, and what they may do there. */
export function useSession() {
  const client = useQueryClient();
  useEffect(() => {
    // Any answer may tell that the session is over; what is on the screen stays there meanwhile.
    const over = () => { client.setQueryData<Session>(sessionKey, (s) => s && { ...s, state: 'signedOut' }); };
    window.addEventListener(SIGNED_OUT, over);
    return () => { window.removeEventListener(SIGNED_OUT, over); };
  }, [client]);
  return useQuery({ queryKey: sessionKey, queryFn: () => answered(api.GET('/api/v1/session')), staleTime: 60_000 });
}

/** Whether the person may do something in the estate at hand; the server decides, this only spares a vain try. */
export function useMay(): (act: Act) => boolean {
  const session = useSession();
  return (act) => session.data?.here?.may.includes(act) ?? false;
}
