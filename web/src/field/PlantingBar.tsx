import { useEffect } from 'react';
import { Link } from 'react-router';
import type { FieldKit } from '../api/client';
import { useReading } from '../words/useReading';

const places = [
  ['trees', ''],
  ['buds', '/buds'],
  ['walk', '/walk'],
  ['pass', '/pass'],
  ['work', '/work'],
  ['check', '/check'],
  ['crop', '/crop'],
  ['rework', '/rework'],
] as const;

/** Which planting, and what is done in it: count trees, cut buds, walk for vigour, read the card. */
export function PlantingBar({ kit, at }: { kit: FieldKit; at: (typeof places)[number][0] }) {
  const { t } = useReading();
  useEffect(() => {
    document.title = `${kit.code} · ${t(`field.tab.${at}`)} · Rama`;
  }, [kit.code, at, t]);
  // One taken along by an earlier Rama has none.
  const notes = (kit as Partial<FieldKit>).notes ?? [];
  return (
    <>
      <nav className="field-tabs" aria-label={t('field.tabs')}>
        <Link to="/field" className="field-back" aria-label={t('field.back')}>
          ‹
        </Link>
        <h1 className="field-name">
          {kit.code} {kit.name !== kit.code && <span>{kit.name}</span>}
        </h1>
        {places
          .filter(([name]) => name !== 'rework' || kit.rework || at === 'rework')
          // One taken along by an earlier Rama tells of no crews; whoever does not report is told of none.
          .filter(([name]) => name !== 'work' || (kit as Partial<FieldKit>).work?.crews.length || at === 'work')
          .filter(([name]) => name !== 'check' || (kit as Partial<FieldKit>).check || at === 'check')
          .map(([name, path]) => (
            <Link
              key={name}
              to={`/field/${kit.id}${path}`}
              className={name === at ? 'active' : ''}
              aria-current={name === at ? 'page' : undefined}
            >
              {t(`field.tab.${name}`)}
            </Link>
          ))}
      </nav>
      {notes.length > 0 && (
        <section aria-label={t('notes.title')}>
          {notes.map((note, i) => (
            <p key={i} className="field-note" data-typed data-test="field-note">
              {note}
            </p>
          ))}
        </section>
      )}
    </>
  );
}
