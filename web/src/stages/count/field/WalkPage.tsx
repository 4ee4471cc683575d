import { useState } from 'react';
import type { VigourMarkEntry } from '../../../api/client';
import { bodyOf } from '../../../field/kinds';
import { lastRow } from '../../../field/lastRow';
import type { KeptKit } from '../../../field/queue';
import { parseNumber } from '../../../units/parse';
import { useReading } from '../../../words/useReading';
import { PhotoKey } from '../../../field/PhotoKey';
import { PlantingBar } from '../../../field/PlantingBar';
import { useField, useMade } from '../../../field/useField';
import { WithKit } from '../../../field/WithKit';
import { RowAndTree } from './RowAndTree';

const choices = {
  wood: ['pencil', 'blind', 'uprights'],
  leader: ['good', 'weak', 'strong', 'rival', 'runaway', 'broken'],
  shade: ['none', 'early', 'late', 'veryLate'],
} as const;
const conditions = [
  'canker',
  'fireBlight',
  'silverLeaf',
  'mildew',
  'winterInjury',
  'brokenLimb',
  'leaning',
  'gnawed',
  'dying',
] as const;

/** The vigour walk: what is seen at a tree or along a row, by key. */
export function WalkPage() {
  return <WithKit page={(kept) => <Walking key={kept.id} kept={kept} />} />;
}

interface Draft {
  row: string;
  tree: string;
  extension: string;
  height: string;
  lookAgain: string;
  note: string;
  mark: Pick<VigourMarkEntry, 'wood' | 'leader' | 'shade' | 'gap' | 'conditions'>;
}

const empty = (row = ''): Draft => ({
  row,
  tree: '',
  extension: '',
  height: '',
  lookAgain: '',
  note: '',
  mark: { gap: false, conditions: [] },
});

function Walking({ kept }: { kept: KeptKit }) {
  const { t, language } = useReading();
  const { put } = useField();
  const [draft, setDraft] = useState(() => empty(lastRow(kept.id)));
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const marks = useMade(kept.id).filter((q) => bodyOf(q.entry, 'mark'));
  const set = (next: Partial<Draft>) => {
    setDraft({ ...draft, ...next });
  };
  const setMark = (next: Partial<Draft['mark']>) => {
    set({ mark: { ...draft.mark, ...next } });
  };
  const read = (text: string) => parseNumber(text, language);
  const { mark } = draft;

  async function keep() {
    const [extension, height] = [read(draft.extension), read(draft.height)];
    const seen =
      extension !== null ||
      height !== null ||
      mark.wood ||
      mark.leader ||
      mark.shade ||
      mark.gap ||
      (mark.conditions ?? []).length > 0 ||
      draft.note.trim() !== '';
    const wrong =
      !/^[1-9]\d*$/.test(draft.row) || !/^([1-9]\d*)?$/.test(draft.tree)
        ? t('walk.place')
        : Number.isNaN(extension) || Number.isNaN(height)
          ? t('field.number-wrong')
          : seen
            ? null
            : t('walk.nothing');
    setProblem(wrong);
    if (wrong) return;
    await put({
      planting: kept.id,
      season: kept.kit.season,
      row: Number(draft.row),
      tree: draft.tree === '' ? null : Number(draft.tree),
      kind: 'mark',
      body: {
        ...mark,
        extension: extension === null ? null : { value: extension, unit: 'cm' },
        height: height === null ? null : { value: height, unit: 'm' },
        lookAgain: draft.lookAgain || null,
        note: draft.note.trim() || null,
      },
    });
    navigator.vibrate?.(30);
    setSaid(t('walk.kept', { row: draft.row, tree: draft.tree || '–' }));
    setDraft(empty(draft.row));
  }
  return (
    <main className="field-main tally">
      <PlantingBar kit={kept.kit} at="walk" />
      <RowAndTree row={draft.row} tree={draft.tree} treeLabel={t('walk.tree')} onChange={set} />
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      <div className="field-pair">
        <label>
          {t('walk.extension')}
          <span className="field-in">
            <input
              inputMode="decimal"
              value={draft.extension}
              onChange={(e) => {
                set({ extension: e.target.value });
              }}
              data-test="extension"
            />{' '}
            cm
          </span>
        </label>
        <label>
          {t('walk.height')}
          <span className="field-in">
            <input
              inputMode="decimal"
              value={draft.height}
              onChange={(e) => {
                set({ height: e.target.value });
              }}
            />{' '}
            m
          </span>
        </label>
      </div>
      {(Object.keys(choices) as (keyof typeof choices)[]).map((name) => (
        <fieldset key={name} className="walk-group">
          <legend>{t(`walk.${name}`)}</legend>
          {choices[name].map((value) => (
            <button
              type="button"
              key={value}
              className={mark[name] === value ? 'key-small key-on' : 'key-small'}
              aria-pressed={mark[name] === value}
              onClick={() => {
                setMark({ [name]: mark[name] === value ? null : value });
              }}
              data-test={`${name}-${value}`}
            >
              {t(`walk.${name}.${value}`)}
            </button>
          ))}
        </fieldset>
      ))}
      <fieldset className="walk-group">
        <legend>{t('walk.conditions')}</legend>
        {conditions.map((c) => {
          const on = (mark.conditions ?? []).includes(c);
          return (
            <button
              type="button"
              key={c}
              className={on ? 'key-small key-on' : 'key-small'}
              aria-pressed={on}
              onClick={() => {
                setMark({
                  conditions: on ? (mark.conditions ?? []).filter((x) => x !== c) : [...(mark.conditions ?? []), c],
                });
              }}
              data-test={`condition-${c}`}
            >
              {t(`walk.condition.${c}`)}
            </button>
          );
        })}
        <button
          type="button"
          className={mark.gap ? 'key-small key-on' : 'key-small'}
          aria-pressed={mark.gap ?? false}
          onClick={() => {
            setMark({ gap: !mark.gap });
          }}
        >
          {t('walk.gap')}
        </button>
      </fieldset>
      <div className="field-pair">
        <label>
          {t('walk.look-again')}
          <input
            type="date"
            value={draft.lookAgain}
            onChange={(e) => {
              set({ lookAgain: e.target.value });
            }}
          />
        </label>
        <label>
          {t('field.note')}
          <input
            value={draft.note}
            maxLength={500}
            onChange={(e) => {
              set({ note: e.target.value });
            }}
          />
        </label>
      </div>
      <div className="tally-keys">
        <div className="tally-acts">
          <PhotoKey
            planting={kept.id}
            row={draft.row === '' ? null : Number(draft.row)}
            tree={draft.tree === '' ? null : Number(draft.tree)}
          />
          <span className="small dim">{said || t('walk.so-far', { count: marks.length })}</span>
        </div>
        <button type="button" className="key key-done" onClick={() => void keep()} data-test="keep-mark">
          {t('walk.keep')}
        </button>
      </div>
    </main>
  );
}
