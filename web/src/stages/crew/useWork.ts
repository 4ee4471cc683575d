import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, RequestError, type WorkReportEntry } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { enqueue, store, type NewEntry } from '../../field/queue';
import { send } from '../../field/sending';
import { useSession } from '../../people/session';
import { useReading } from '../../words/useReading';

/** Work reported of a planting, and how far its passes are. */
export function useWork(planting: string, enabled = true) {
  return useQuery({
    queryKey: ['work', planting],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/work', { params: { path: { id: planting } } })),
    enabled,
  });
}

/** Reports work from the office, the way it is reported from the row; what is refused is told at its field. */
export function useWorkReports(planting: string, season: number) {
  const { t } = useReading();
  const client = useQueryClient();
  const session = useSession();
  const { attempt, ...told } = useAttempt();
  const put = (entry: NewEntry) =>
    attempt(async () => {
      const estate = session.data?.here?.estateId ?? '';
      const { id } = await enqueue({ estate, person: session.data?.person?.id ?? null }, entry);
      await send(estate);
      const made = await store.queue.get(id);
      if (made?.standing !== 'sent') {
        // It is typed here still, and goes when it is put right.
        await store.queue.delete(id);
        const problems = (made?.problems ?? []).map((p) => ({ ...p, field: p.field.replace(/^body\./, '') }));
        throw new RequestError(400, problems.length > 0 ? { problems } : { title: t('failure.server') });
      }
      await client.invalidateQueries();
    });
  const at = { planting, season, row: null, tree: null };
  return {
    ...told,
    report: (body: WorkReportEntry, supersedes: string | null) => put({ ...at, supersedes, kind: 'work', body }),
    takeBack: (supersedes: string) => put({ ...at, supersedes }),
  };
}
