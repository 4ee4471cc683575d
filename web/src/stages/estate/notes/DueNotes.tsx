import { Link } from 'react-router';
import { titleOf } from '../../../planting/titleOf';
import { useReading } from '../../../words/useReading';
import { useDueNotes } from './useNotes';
import './notes.css';

/** Told at once; more are folded away. */
const FEW = 3;

/** Notes whose day has come, on the season page. */
export function DueNotes() {
  const { t } = useReading();
  const due = useDueNotes().data ?? [];
  if (due.length === 0) return null;
  const lines = due.map(({ planting, code, name, note }) => (
    <li key={note.id}>
      <Link to={`/plantings/${planting}/estate`}>{titleOf({ code, name })}</Link> <span data-typed>{note.text}</span>
    </li>
  ));
  return (
    <section className="due-notes" aria-label={t('notes.due-title')} data-test="due-notes">
      <h2>{t('notes.due-title')}</h2>
      <ul>{lines.slice(0, FEW)}</ul>
      {lines.length > FEW && (
        <details>
          <summary>{t('notes.due-more', { count: lines.length - FEW })}</summary>
          <ul>{lines.slice(FEW)}</ul>
        </details>
      )}
    </section>
  );
}
