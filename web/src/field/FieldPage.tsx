import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, answered } from '../api/client';
import { store } from './queue';
import { useReading } from '../words/useReading';
import { bodyOf } from './kinds';
import { takeAlong, useField } from './useField';

/** Most plantings taken along without being asked. */
const mostAtOnce = 40;

/** The plantings to count, taken along while there is signal. */
export function FieldPage() {
  const { t } = useReading();
  const { estate } = useField();
  const [busy, setBusy] = useState(false);
  const kits = useLiveQuery(() => store.kits.toArray())?.filter((k) => k.estate === estate) ?? [];
  const made = useLiveQuery(() => store.queue.toArray()) ?? [];
  useEffect(() => {
    document.title = `${t('field.title')} · Rama`;
  }, [t]);

  useEffect(() => {
    if (estate === '') return;
    let left = false;
    async function fetchAll() {
      setBusy(true);
      try {
        const season = await answered(
          api.GET('/api/v1/season', { params: { query: {} }, signal: AbortSignal.timeout(15_000) }),
        );
        const order = season.plantings.filter((p) => p.stage !== 'target').slice(0, mostAtOnce);
        for (const planting of order) {
          if (left) return;
          await takeAlong(estate, planting.id);
        }
      } catch {
        // No signal: what was taken along before is there.
      } finally {
        if (!left) setBusy(false);
      }
    }
    void fetchAll();
    return () => {
      left = true;
    };
  }, [estate]);

  return (
    <main className="field-main">
      <h1>{t('field.title')}</h1>
      <p className="dim small">{busy ? t('field.taking') : t('field.taken', { count: kits.length })}</p>
      <ul className="field-list" aria-busy={busy}>
        {kits
          .sort((a, b) => a.kit.code.localeCompare(b.kit.code, undefined, { numeric: true }))
          .map(({ id, kit }) => {
            const own = new Set(
              made
                .filter((q) => q.planting === id && bodyOf(q.entry, 'tree'))
                .map((q) => `${q.entry.row}/${q.entry.tree}`),
            );
            const counted = new Set([...kit.counted.map((c) => `${c.row}/${c.tree}`), ...own]).size;
            return (
              <li key={id}>
                <Link to={id} className="field-planting" data-test={`count-${kit.code}`}>
                  <strong>{kit.code}</strong>{' '}
                  <span>
                    {kit.name}
                    <br />
                    <span className="small dim">{kit.variety}</span>
                  </span>
                  <span className="field-planting-count">
                    <strong>{counted}</strong>{' '}
                    <span className="unit">
                      / {kit.stop.planned} {t('field.trees')}
                    </span>
                  </span>
                </Link>
              </li>
            );
          })}
      </ul>
      {!busy && kits.length === 0 && <p>{t('field.none')}</p>}
    </main>
  );
}
