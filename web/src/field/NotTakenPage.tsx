import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { problemText } from '../entry/problemText';
import { useReading } from '../words/useReading';
import { asFile, readNotTaken, sendAgain } from './notTaken';
import { store } from './queue';
import { useField } from './useField';

/** What the server refused: why, what it says, and two ways to bring it in all the same. */
export function NotTakenPage() {
  const reading = useReading();
  const { t, language } = reading;
  const { poke } = useField();
  const kept = useLiveQuery(readNotTaken);
  const codes = useLiveQuery(async () => new Map((await store.kits.toArray()).map((k) => [k.id, k.kit.code])));
  const time = new Intl.DateTimeFormat(language, { dateStyle: 'short', timeStyle: 'short' });
  useEffect(() => {
    document.title = `${t('field.not-taken-title')} · Rama`;
  }, [t]);
  if (!kept) return <p className="waiting">{t('loading')}</p>;
  const again = async () => {
    await sendAgain();
    poke();
  };
  const save = () => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(asFile(kept));
    link.download = `rama-${new Date().toISOString().slice(0, 10)}.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  const place = (planting: string, row?: number | null, tree?: number | null) =>
    [
      codes?.get(planting) ?? t('field.gone-planting'),
      row != null && `${t('field.row')} ${row}`,
      tree != null && `${t('field.tree')} ${tree}`,
    ]
      .filter(Boolean)
      .join(' · ');
  const none = kept.entries.length + kept.photos.length === 0;
  return (
    <main className="field-main">
      <h1>
        <Link to="/field" className="field-back" aria-label={t('field.back')}>
          ‹
        </Link>{' '}
        {t('field.not-taken-title')}
      </h1>
      <p>{none ? t('field.not-taken-none') : t('field.not-taken-text')}</p>
      {!none && (
        <p className="field-pair">
          <button type="button" className="field-button" onClick={() => void again()} data-test="send-again">
            {t('field.send-again')}
          </button>
          <button type="button" className="field-button" onClick={save} data-test="save-not-taken">
            {t('field.save-file')}
          </button>
        </p>
      )}
      <ul className="field-list">
        {kept.entries.map((q) => (
          <li key={q.id} className="sheet" data-test="refused-entry">
            <strong>{place(q.planting, q.entry.row, q.entry.tree)}</strong>
            <br />
            {t(`field.kind.${q.entry.kind ?? 'back'}`)},{' '}
            <span className="small dim">{time.format(new Date(q.at))}</span>
            {q.problems?.map((p) => (
              <p key={p.field + p.code} className="field-problem">
                {problemText(p, reading)}
              </p>
            ))}
          </li>
        ))}
        {kept.photos.map((p) => (
          <li key={p.id} className="sheet">
            <strong>{place(p.planting, p.row, p.tree)}</strong>
            <br />
            {t('field.photo')}, <span className="small dim">{time.format(new Date(p.at))}</span>
          </li>
        ))}
      </ul>
    </main>
  );
}
