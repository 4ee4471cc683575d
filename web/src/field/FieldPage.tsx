import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type FieldKit, type SeasonLine } from '../api/client';
import { useMay } from '../people/session';
import { store, type Queued } from './queue';
import { useReading } from '../words/useReading';
import { countedSoFar } from '../stages/count/field/countedSoFar';
import { plantingsOf } from './plantingsOf';
import { takeAlong, useField } from './useField';

/** Most plantings taken along without being asked. */
const mostAtOnce = 40;

/** Fetched side by side: a line with much delay, as in a valley, is used better so. */
const atATime = 4;

/** The plantings to count, taken along while there is signal. */
export function FieldPage() {
  const { t, words: language, system: units } = useReading();
  const { estate } = useField();
  const may = useMay();
  const [busy, setBusy] = useState(false);
  const kits = useLiveQuery(() => store.kits.toArray())?.filter((k) => k.estate === estate) ?? [];
  const [ofSeason, setOfSeason] = useState<SeasonLine[]>([]);
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
        // What is to be counted next first; a planting without a target can be counted too.
        const order = [...season.plantings.filter((p) => p.stage === 'count')]
          .concat(season.plantings.filter((p) => p.stage !== 'count' && !p.isInTraining))
          .slice(0, mostAtOnce);
        if (!left) setOfSeason(order);
        const open = [...order];
        const takeSome = async () => {
          for (let next = open.shift(); next && !left; next = open.shift())
            await takeAlong(estate, next.id, { language, units });
        };
        await Promise.all(Array.from({ length: atATime }, takeSome));
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
  }, [estate, language, units]);

  return (
    <main className="field-main">
      <h1>{t('field.title')}</h1>
      {may('report') && (
        <Link to="today" className="field-today" data-test="today">
          {t('field.today')}
        </Link>
      )}
      <p className="dim small">{busy ? t('field.taking') : t('field.taken', { count: kits.length })}</p>
      <ul className="field-list" aria-busy={busy}>
        {plantingsOf(ofSeason, kits).map(({ id, code, name, variety, kit }) => (
          <li key={id}>
            <Link to={id} className="field-planting" data-test={`count-${code}`} data-taken={kit !== undefined}>
              <strong>{code}</strong>{' '}
              <span>
                {name}
                <br />
                <span className="small dim">{variety}</span>
              </span>
              {kit ? <SoFar kit={kit} made={made.filter((q) => q.planting === id)} /> : <span className="dim">…</span>}
            </Link>
          </li>
        ))}
      </ul>
      {!busy && kits.length === 0 && <p>{t('field.none')}</p>}
    </main>
  );
}

/** How far a planting is counted, and whether that settles it. */
function SoFar({ kit, made }: { kit: FieldKit; made: Queued[] }) {
  const { t } = useReading();
  const { trees, so } = countedSoFar(kit, made);
  return (
    <span className="field-planting-count">
      <strong>{trees}</strong>{' '}
      <span className="unit">
        / {kit.stop.planned} {t('field.trees')}
      </span>
      <br />
      <span className={`small field-so field-so-${so?.verdict ?? 'none'}`}>
        {t(`field.so.${so?.verdict ?? 'none'}`, { count: so?.more ?? 0 })}
      </span>
    </span>
  );
}
