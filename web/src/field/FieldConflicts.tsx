import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { api, answered, type CountedTreeEntry, type FieldEntryView, type ReworkedTreeEntry } from '../api/client';
import { useAttempt } from '../entry/useAttempt';
import { useMay } from '../people/session';
import { usePlantingWork } from '../planting/usePlanting';
import { useChosenSeason } from '../stages/season/useSeason';
import '../words/count';
import { useReading } from '../words/useReading';
import { bodyOf, type FieldKind } from './kinds';
import './conflicts.css';

/** What the field told of a planting. */
export function useFieldNews() {
  const { view } = usePlantingWork();
  const season = useChosenSeason();
  return useQuery({
    queryKey: ['field', view.id, season],
    queryFn: () =>
      answered(
        api.GET('/api/v1/plantings/{id}/field', {
          params: { path: { id: view.id }, query: season === null ? {} : { season } },
        }),
      ),
  }).data;
}

/** Asks for it anew. */
export function useFieldNewsAgain() {
  const { view } = usePlantingWork();
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: ['field', view.id] });
}

const budsOf = (tree: CountedTreeEntry | null) =>
  tree && (tree.floralBuds ?? tree.buds ?? (tree.kinds ?? []).reduce((sum, k) => sum + (k.buds ?? 0), 0));

/** Trees two people told differently of; a person chooses. */
export function FieldConflicts({ entries, kind }: { entries: FieldEntryView[]; kind?: FieldKind }) {
  const { t, language } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const client = useQueryClient();
  const { problem, failure, attempt } = useAttempt();
  const conflicts = entries.filter((e) => e.state === 'conflict' && (kind === undefined || e.kind === kind));
  if (conflicts.length === 0) return null;
  const time = new Intl.DateTimeFormat(language, { dateStyle: 'short', timeStyle: 'short' });
  const choose = async (conflict: FieldEntryView, take: boolean) => {
    await attempt(async () => {
      await answered(
        api.PUT('/api/v1/plantings/{id}/field/{entry}', {
          params: { path: { id: view.id, entry: conflict.id } },
          body: { take, inForce: conflict.inForce },
        }),
      );
    });
    await client.invalidateQueries();
  };
  const wrong = problem('inForce') ?? failure ?? problem('tree') ?? problem('graftedOn');
  const rework = (tree: ReworkedTreeEntry | null | undefined) =>
    tree == null
      ? t('news.rework-none')
      : [
          tree.variety,
          tree.union && `${t('rework.field.union')}: ${t(`rework.union.${tree.union}`)}`,
          tree.doneSeason === view.season && t('field.rework-is-done'),
          tree.note,
        ]
          .filter(Boolean)
          .join(' · ');
  return (
    <section className="news-conflicts" data-test="conflicts">
      <p>
        <strong>{t('news.conflicts', { count: conflicts.length })}</strong>
      </p>
      {wrong && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
      {conflicts.map((c) => (
        <div key={c.id} className="news-conflict">
          <span>{t('outlier.place', { row: c.row, tree: c.tree })}</span>
          {c.kind === 'rework' ? (
            <span>
              {t('news.rework', {
                told: rework(bodyOf(c, 'rework')?.tree),
                person: c.person ?? '–',
                time: time.format(new Date(c.at)),
              })}
              <br />
              <span className="small dim">
                {t('news.rework-in-force', { told: rework(c.inForce as ReworkedTreeEntry | null) })}
              </span>
            </span>
          ) : (
            <span>
              {t('news.counted', {
                buds: budsOf(bodyOf(c, 'tree')) ?? 0,
                person: c.person ?? '–',
                time: time.format(new Date(c.at)),
              })}
              <br />
              <span className="small dim">
                {t('news.in-force', { buds: budsOf(c.inForce as CountedTreeEntry | null) ?? 0 })}
              </span>
            </span>
          )}
          <span>
            <Button size="small" disabled={!may('count')} onClick={() => void choose(c, true)} data-test="take">
              {t('news.take')}
            </Button>{' '}
            <Button size="small" disabled={!may('count')} onClick={() => void choose(c, false)}>
              {t('news.set-aside')}
            </Button>
          </span>
        </div>
      ))}
    </section>
  );
}
