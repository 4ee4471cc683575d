import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type ReworkedTreeEntry, type ReworkView } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { ChoiceField } from '../../entry/Choice';
import { fieldControls } from '../../entry/fieldControls';
import { readNumbers } from '../../entry/numberList';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';

/** Trees of one row, as people list them. */
export interface ChosenTrees {
  row: number;
  trees: string;
}

const spec: FormSpec = {
  variety: 'text',
  graft: 'choice',
  graftedOn: 'choice',
  girth: { amount: 'cm' },
  height: { amount: 'cm' },
  union: 'choice',
  support: 'choice',
  guard: 'choice',
  trueToName: 'number',
  finished: 'choice',
  note: 'text',
};
const yesNo = ['support', 'guard', 'finished'] as const;

type Known = ReworkView['trees'][number];

/** What is told of one tree, or of several alike. */
export function ReworkedTrees({
  rework,
  planting,
  chosen,
}: {
  rework: ReworkView;
  planting: string;
  chosen: ChosenTrees | null;
}) {
  const reading = useReading();
  const { t, local, language } = reading;
  const may = useMay();
  const client = useQueryClient();
  const { problem, problemLike, unreadable, failure, busy, attempt } = useAttempt();
  const [row, setRow] = useState(chosen ? String(chosen.row) : '');
  const [trees, setTrees] = useState(chosen?.trees ?? '');
  const [wrong, setWrong] = useState<string | null>(null);
  const [draft, setDraft] = useState<Draft>(() => {
    const numbers = chosen ? (readNumbers(chosen.trees) ?? []) : [];
    // Of several, what is left empty stays as it is.
    const one = numbers.length === 1 ? knownOf(rework, chosen!.row, numbers[0]!) : undefined;
    return toDraft(spec, one ? asTyped(one) : {}, reading);
  });
  const wanted = () => {
    const numbers = readNumbers(trees);
    if (!/^[1-9]\d*$/.test(row) || !numbers || numbers.length === 0) {
      setWrong(t('rework.trees-wrong'));
      return null;
    }
    setWrong(null);
    return numbers.map((tree) => ({ row: Number(row), tree, known: knownOf(rework, Number(row), tree) }));
  };
  const send = (saves: { version: number; tree: ReworkedTreeEntry; remove?: boolean }[]) =>
    void attempt(async () => {
      await answered(
        api.PUT('/api/v1/plantings/{id}/rework', {
          params: { path: { id: planting } },
          body: { trees: saves.map((s) => ({ remove: false, ...s })) },
        }),
      );
      await client.invalidateQueries();
    });
  const save = () => {
    const places = wanted();
    const { entry, unreadable: bad } = readDraft<Record<string, unknown>>(spec, draft, language);
    if (bad.length > 0) {
      unreadable(bad.map((field) => `trees[0].${field}`));
      return;
    }
    if (!places) return;
    const told = toTyped(entry);
    // Only a form that was filled with what is known of its one tree tells all of it; others tell what they say.
    const isWhole =
      places.length === 1 && (!places[0]!.known || (chosen?.row === Number(row) && chosen.trees === trees));
    send(
      places.map(({ row: at, tree, known }) => ({
        version: known?.version ?? 0,
        tree: {
          ...(isWhole ? {} : known?.tree),
          ...(isWhole ? told : onlySaid(told)),
          doneSeason: known?.tree.doneSeason ?? null,
          row: at,
          tree,
        },
      })),
    );
  };
  /** Of trees that are known: their winter's work is done, or they leave the list. */
  const change = (of: (known: Known) => { version: number; tree: ReworkedTreeEntry; remove?: boolean }) => {
    const places = wanted();
    const stranger = places?.find((p) => !p.known);
    if (stranger) setWrong(t('rework.unknown-tree', { row: stranger.row, tree: stranger.tree }));
    else if (places) send(places.map((p) => of(p.known!)));
  };
  // Whichever tree it is told of, it stands at the one form.
  const problemOf = (path: string) => problemLike(new RegExp(`^trees\\[\\d+\\]\\.${path}$`));
  const form = fieldControls('rework', draft, setDraft, problemOf, t, save);
  const choice = (path: string, options: { value: string; label: string }[]) => (
    <ChoiceField
      key={path}
      label={t(`rework.field.${path}`)}
      value={draft[path]?.text ?? ''}
      onChange={(text) => {
        setDraft({ ...draft, [path]: { text } });
      }}
      options={options}
      empty="–"
    />
  );
  const told = wrong ?? failure ?? problem('trees') ?? problemOf('tree') ?? problemOf('row') ?? problemOf('graftedOn');
  const plain = (label: string, value: string, onChange: (text: string) => void, test: string) => (
    <div className="field">
      <label>
        {label}
        <input
          className="rework-input"
          value={value}
          onChange={(e) => {
            onChange(e.target.value);
          }}
          data-test={test}
        />
      </label>
    </div>
  );
  return (
    <section className="training-measures" data-test="rework-list">
      <h3>{t('rework.list')}</h3>
      <p className="small dim">{t('rework.list-text')}</p>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <fieldset className="part" disabled={!may('report')}>
          <div className="fields">
            {plain(t('rework.field.row'), row, setRow, 'rework-row')}
            {plain(t('rework.field.trees'), trees, setTrees, 'rework-trees')}
            {form.input('variety', [], { label: t('rework.field.variety'), numeric: false })}
            {choice(
              'graft',
              rework.rules.grafts.map((g) => ({ value: g.id, label: local(g.name) })),
            )}
            <div className="field">
              <label>
                {t('rework.field.graftedOn')}
                <input
                  type="date"
                  className="rework-input"
                  value={draft.graftedOn?.text ?? ''}
                  onChange={(e) => {
                    setDraft({ ...draft, graftedOn: { text: e.target.value } });
                  }}
                  data-test="grafted-on"
                />
              </label>
            </div>
            {form.input('girth', ['cm', 'mm', 'in'], { label: t('rework.field.girth') })}
            {form.input('height', ['cm', 'm', 'in'], { label: t('rework.field.height') })}
            {choice(
              'union',
              (['holds', 'loose', 'failed'] as const).map((u) => ({ value: u, label: t(`rework.union.${u}`) })),
            )}
            {yesNo.map((path) =>
              choice(path, [
                { value: 'yes', label: t('rework.yes') },
                { value: 'no', label: t('rework.no') },
              ]),
            )}
            {form.input('trueToName', [], { label: t('rework.field.trueToName') })}
            {form.input('note', [], { label: t('rework.field.note'), numeric: false })}
          </div>
          {told && (
            <p className="field-problem" role="alert">
              {told}
            </p>
          )}
          {may('report') && (
            <div className="rework-acts">
              <Button type="primary" htmlType="submit" loading={busy} data-test="save-rework">
                {t('rework.save')}
              </Button>
              <Button
                onClick={() => {
                  change(({ version, tree }) => ({ version, tree: { ...tree, doneSeason: rework.season } }));
                }}
                data-test="rework-done"
              >
                {t('rework.mark-done')}
              </Button>
              <Button
                onClick={() => {
                  change(({ version, tree }) => ({ version, tree, remove: true }));
                }}
                data-test="rework-off"
              >
                {t('rework.off')}
              </Button>
            </div>
          )}
        </fieldset>
      </form>
    </section>
  );
}

const knownOf = (rework: ReworkView, row: number, tree: number) =>
  rework.trees.find((known) => known.tree.row === row && known.tree.tree === tree);

const asTyped = ({ tree }: Known) => ({
  ...tree,
  ...Object.fromEntries(yesNo.map((path) => [path, tree[path] == null ? null : tree[path] ? 'yes' : 'no'])),
});

const toTyped = (entry: Record<string, unknown>) =>
  ({
    ...entry,
    ...Object.fromEntries(yesNo.map((path) => [path, entry[path] == null ? null : entry[path] === 'yes'])),
    ...Object.fromEntries(
      (['girth', 'height'] as const).map((path) => {
        const amount = entry[path] as { value: number | null } | null;
        return [path, amount?.value == null ? null : amount];
      }),
    ),
  }) as ReworkedTreeEntry;

const onlySaid = (entry: ReworkedTreeEntry) =>
  Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== null && value !== '')) as ReworkedTreeEntry;
