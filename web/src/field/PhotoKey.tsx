import { useRef, useState } from 'react';
import { store } from './queue';
import { useReading } from '../words/useReading';
import { shrink } from './photo';
import { useField } from './useField';

/**
 * Takes a photograph of what is at hand; it is made small, and what the camera noted of place and time stays behind.
 */
export function PhotoKey({ planting, row, tree }: { planting: string; row: number | null; tree: number | null }) {
  const { t } = useReading();
  const { estate, poke } = useField();
  const input = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<'ready' | 'busy' | 'kept' | 'wrong'>('ready');
  async function take(file: File | undefined) {
    if (!file) return;
    setState('busy');
    try {
      await store.photos.add({
        id: crypto.randomUUID(),
        estate,
        planting,
        row,
        tree,
        at: new Date().toISOString(),
        picture: await shrink(file),
        standing: 'waiting',
      });
      setState('kept');
      poke();
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
        disabled={state === 'busy'}
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
    </>
  );
}
