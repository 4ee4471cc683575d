import { useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { RequestError } from '../api/client';
import { useAttempt } from '../entry/useAttempt';
import { useSession } from '../people/session';
import { useReading } from '../words/useReading';
import { enqueue, store, type NewEntry } from './queue';
import { send } from './sending';

/** Sends what is typed in the office the way it comes from the row; what is refused is told at its field. */
export function useFromDesk() {
  const { t } = useReading();
  const client = useQueryClient();
  const session = useSession();
  const { attempt, ...told } = useAttempt();
  // What went off and was not answered: sent once more it is the same entry, and not another.
  const unanswered = useRef<string | null>(null);
  const put = (entry: NewEntry) =>
    attempt(async () => {
      const estate = session.data?.here?.estateId ?? '';
      const before = unanswered.current && (await store.queue.get(unanswered.current));
      const queued = before
        ? { ...before, entry: { ...before.entry, ...entry } }
        : await enqueue({ estate, person: session.data?.person?.id ?? null }, entry);
      if (before) await store.queue.put(queued);
      unanswered.current = queued.id;
      await send(estate);
      const made = await store.queue.get(queued.id);
      if (made?.standing !== 'waiting') unanswered.current = null;
      if (made?.standing !== 'sent') {
        // What was refused is typed here still, and goes anew when it is put right.
        if (made?.standing !== 'waiting') await store.queue.delete(queued.id);
        const problems = (made?.problems ?? []).map((p) => ({ ...p, field: p.field.replace(/^body\./, '') }));
        throw new RequestError(400, problems.length > 0 ? { problems } : { title: t('failure.server') });
      }
      await client.invalidateQueries();
    });
  return { ...told, put };
}
