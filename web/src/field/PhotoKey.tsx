import { useCallback, useEffect, useRef, useState } from 'react';
import { store, type QueuedPhoto } from './queue';
import { useReading } from '../words/useReading';
import { shrink } from './photo';
import { sendNow } from './sending';
import { useField } from './useField';

/** As the server takes; see PhotoRecord.LongestCaption. */
const LONGEST_CAPTION = 200;

const isDraft = (photo: QueuedPhoto) => photo.standing === 'draft';

/**
 * Takes a photograph of what is at hand; it is made small, and what the camera noted of place and time stays behind.
 * What it shows can be said before it is sent.
 */
export function PhotoKey({ planting, row, tree }: { planting: string; row: number | null; tree: number | null }) {
  const { t } = useReading();
  const { estate } = useField();
  const input = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<'ready' | 'busy' | 'kept' | 'wrong'>('ready');
  const [taken, setTaken] = useState<{ id: string; picture: Blob } | null>(null);
  async function take(file: File | undefined) {
    if (!file) return;
    setState('busy');
    try {
      const [id, picture] = [crypto.randomUUID(), await shrink(file)];
      const at = new Date().toISOString();
      await store.photos.add({ id, estate, planting, row, tree, at, picture, standing: 'draft' });
      setTaken({ id, picture });
      setState('ready');
    } catch {
      setState('wrong');
    }
  }
  return (
    <>
      <button
        type="button"
        className="key"
        onClick={() => input.current?.click()}
        disabled={state === 'busy' || taken !== null}
        data-test="photo"
        data-state={state}
      >
        {t(state === 'kept' ? 'field.photo-kept' : state === 'wrong' ? 'field.photo-wrong' : 'field.photo')}
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
        data-test="photo-file"
      />
      {taken && (
        <Caption
          key={taken.id}
          {...taken}
          onDone={(isKept) => {
            setTaken(null);
            setState(isKept ? 'kept' : 'ready');
          }}
        />
      )}
    </>
  );
}

/** The photograph just taken, to say what it shows; who goes on without a word sends it as it is. */
function Caption({ id, picture, onDone }: { id: string; picture: Blob; onDone: (isKept: boolean) => void }) {
  const { t } = useReading();
  const [caption, setCaption] = useState('');
  const said = useRef('');
  const shown = useRef<HTMLImageElement>(null);
  useEffect(() => {
    const address = URL.createObjectURL(picture);
    if (shown.current) shown.current.src = address;
    return () => {
      URL.revokeObjectURL(address);
    };
  }, [picture]);
  const keep = useCallback(
    () => store.photos.where('id').equals(id).filter(isDraft).modify({ standing: 'waiting', caption: said.current }),
    [id],
  );
  useEffect(
    () => () => {
      void keep().then(sendNow);
    },
    [keep],
  );
  return (
    <form
      className="photo-caption"
      onSubmit={(e) => {
        e.preventDefault();
        void keep().then(() => {
          onDone(true);
        });
      }}
      data-test="photo-caption"
    >
      <img ref={shown} alt={t('field.photo')} />
      <label>
        {t('field.photo-shows')}
        <input
          value={caption}
          maxLength={LONGEST_CAPTION}
          onChange={(e) => {
            setCaption(e.target.value);
            said.current = e.target.value.trim();
          }}
        />
      </label>
      <button type="submit" className="key">
        {t('field.photo-keep')}
      </button>
      <button
        type="button"
        className="key"
        onClick={() => {
          void store.photos.delete(id).then(() => {
            onDone(false);
          });
        }}
      >
        {t('field.photo-drop')}
      </button>
    </form>
  );
}
