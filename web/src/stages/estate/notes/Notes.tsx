import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import type { NoteView } from '../../../api/client';
import { useMay } from '../../../people/session';
import { usePlantingWork } from '../../../planting/usePlanting';
import { dayForm } from '../../../units/forms';
import { useReading } from '../../../words/useReading';
import { useNoteChanges, useNotes } from './useNotes';
import './notes.css';

/** What to remember at the planting, at every stage: the open notes, and a place to write one. */
export function Notes() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const notes = useNotes(view.id).data ?? [];
  const [writes, setWrites] = useState<string | null>(null);
  const open = notes.filter((n) => n.done === null);
  const done = notes.filter((n) => n.done !== null);
  if (view.isPast || (notes.length === 0 && !may('settings'))) return null;
  const close = () => {
    setWrites(null);
  };
  return (
    <section className="notes" aria-label={t('notes.title')} data-test="notes">
      {open.length > 0 && (
        <ul>
          {open.map((note) =>
            writes === note.id ? (
              <li key={note.id}>
                <NoteForm note={note} onDone={close} />
              </li>
            ) : (
              <Note
                key={note.id}
                note={note}
                onWrite={() => {
                  setWrites(note.id);
                }}
              />
            ),
          )}
        </ul>
      )}
      {may('settings') &&
        (writes === 'new' ? (
          <NoteForm onDone={close} />
        ) : (
          <button
            type="button"
            className="text-button small"
            onClick={() => {
              setWrites('new');
            }}
            data-test="new-note"
          >
            {t('notes.new')}
          </button>
        ))}
      {done.length > 0 && (
        <details className="small">
          <summary>{t('notes.done-count', { count: done.length })}</summary>
          <ul>
            {done.map((note) => (
              <Note key={note.id} note={note} />
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function Note({ note, onWrite }: { note: NoteView; onWrite?: () => void }) {
  const { t, language } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const { setDone, remove, failure, problemLike, busy } = useNoteChanges(view.id);
  const form = dayForm(language, { dateStyle: 'medium', timeZone: 'UTC' });
  const day = (at: string) => form.format(new Date(at));
  const wrong = failure ?? problemLike(/./);
  return (
    <li className={note.isDue ? 'note note-due' : 'note'} data-test="note">
      {may('settings') && (
        <Checkbox
          checked={note.done !== null}
          disabled={busy}
          data-typed
          onChange={(e) => void setDone(note, e.target.checked)}
          aria-label={t('notes.is-done', { note: note.text })}
        />
      )}
      <span data-typed className="note-text">
        {note.text}
      </span>
      <span className="small dim">
        {[
          note.done === null &&
            note.comeBack &&
            t(note.isDue ? 'notes.due' : 'notes.back', { day: day(note.comeBack) }),
          note.done !== null && t('notes.done-on', { day: day(note.done) }),
          note.inRow && t('notes.in-row'),
          note.person,
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
      {may('settings') && (
        <span className="small">
          {onWrite ? (
            <button type="button" className="text-button" onClick={onWrite}>
              {t('notes.change')}
            </button>
          ) : (
            <button type="button" className="text-button" disabled={busy} onClick={() => void remove(note)}>
              {t('notes.remove')}
            </button>
          )}
        </span>
      )}
      {wrong && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
    </li>
  );
}

/** Writes a note, or changes one. */
function NoteForm({ note, onDone }: { note?: NoteView; onDone: () => void }) {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const { save, problem, failure, busy } = useNoteChanges(view.id);
  const [at] = useState(() => note ?? { id: crypto.randomUUID(), version: 0 });
  const [text, setText] = useState(note?.text ?? '');
  const [comeBack, setComeBack] = useState(note?.comeBack ?? '');
  const [inRow, setInRow] = useState(note?.inRow ?? false);
  return (
    <form
      className="note-form sheet"
      onSubmit={(e) => {
        e.preventDefault();
        void save({ text, comeBack: comeBack || null, inRow }, at).then((saved) => {
          if (saved) onDone();
        });
      }}
      onKeyDown={(e) => {
        if (e.key === 'Escape') onDone();
      }}
    >
      <label className="note-form-text">
        {t('notes.text')}
        <textarea
          rows={2}
          autoFocus
          value={text}
          onChange={(e) => {
            setText(e.target.value);
          }}
          data-test="note-text"
        />
        {problem('text') && <span className="field-problem">{problem('text')}</span>}
      </label>
      <label>
        {t('notes.come-back')}
        <input
          type="date"
          value={comeBack}
          onChange={(e) => {
            setComeBack(e.target.value);
          }}
          data-test="note-back"
        />
        {problem('comeBack') && <span className="field-problem">{problem('comeBack')}</span>}
      </label>
      <Checkbox
        checked={inRow}
        onChange={(e) => {
          setInRow(e.target.checked);
        }}
      >
        {t('notes.tell-row')}
      </Checkbox>
      <span className="note-form-keys">
        <Button type="primary" htmlType="submit" loading={busy} data-test="save-note">
          {t('save')}
        </Button>
        <Button type="text" onClick={onDone}>
          {t('discard')}
        </Button>
      </span>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </form>
  );
}
