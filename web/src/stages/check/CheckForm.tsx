import { Button } from 'antd';
import { useState } from 'react';
import type { CheckView, TreeCheckEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import '../../words/crew';
import { useReading } from '../../words/useReading';
import type { useCheckSending } from './useChecks';

const spec: FormSpec = {
  row: 'number',
  tree: 'number',
  girth: { amount: 'cm' },
  class: 'choice',
  left: 'number',
  limbsLeft: 'number',
  bigCuts: 'number',
  minutes: 'number',
  crew: 'choice',
  pruner: 'choice',
  note: 'text',
};

/** A check written down in the row and typed in the office, or one put right. */
export function CheckForm({
  view,
  kept,
  sending,
  onDone,
}: {
  view: CheckView;
  kept: CheckView['checks'][number] | null;
  sending: ReturnType<typeof useCheckSending>;
  onDone: () => void;
}) {
  const reading = useReading();
  const { t, language, system } = reading;
  const [draft, setDraft] = useState<Draft>(() => toDraft(spec, kept?.entry ?? {}, reading));
  const [on, setOn] = useState(kept?.entry.day ?? view.today);
  const [wasShort, setShort] = useState(kept?.entry.wasShort ?? false);
  const [isSure, setSure] = useState(kept?.entry.isSure ?? false);
  const save = async () => {
    const { entry, unreadable } = readDraft<TreeCheckEntry>(spec, draft, language);
    if (unreadable.length > 0) {
      sending.unreadable(unreadable);
      return;
    }
    const at = { row: entry.row ?? null, tree: entry.tree ?? null };
    const done = await sending.send(
      {
        ...kept?.entry,
        ...entry,
        ...at,
        pass: kept?.entry.pass ?? view.passes.at(-1) ?? null,
        day: on || null,
        class: entry.class || null,
        note: entry.note?.trim() || null,
        // What is typed for the whole tree takes the place of limbs counted one by one.
        limbs: entry.left === null ? (kept?.entry.limbs ?? []) : [],
        wasShort,
        isSure,
      },
      at,
      kept?.id ?? null,
    );
    if (done) onDone();
  };
  const form = fieldControls('check', draft, setDraft, sending.problem, t, () => void save());
  const place = sending.problemLike(/^(planting|season|supersedes|body|limbs.*)$/);
  return (
    <form
      className="crews-form"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      {form.input('row', [], { label: t('count.row') })}
      {form.input('tree', [], { label: t('count.tree') })}
      <div className="field" data-field="check.day">
        <label htmlFor="check-day">{t('check.day')}</label>
        <input
          id="check-day"
          type="date"
          className="crew-date"
          value={on}
          onChange={(e) => {
            setOn(e.target.value);
          }}
        />
        {sending.problem('day') && <p className="field-problem">{sending.problem('day')}</p>}
      </div>
      {form.input('girth', system === 'us' ? ['in', 'cm'] : ['cm', 'in'], { label: t('check.girth') })}
      {form.choice(
        'class',
        view.classes.map((c) => ({ value: c.name, label: t(`class.${c.name}`, { defaultValue: c.name }) })),
      )}
      {form.input('left', ['bud/tree'], { label: t('check.left') })}
      {form.input('limbsLeft', [], { label: t('check.limbs-left') })}
      {form.input('bigCuts', [], { label: t('check.big-cuts') })}
      {form.input('minutes', ['min'], { label: t('check.minutes') })}
      {form.choice(
        'crew',
        view.crews.map((c) => ({ value: c.id, label: c.name })),
      )}
      {form.choice(
        'pruner',
        view.pruners.map((p) => ({ value: p.id, label: p.name })),
      )}
      {form.input('note', [], { label: t('work.note'), numeric: false })}
      <p>
        <label>
          <input
            type="checkbox"
            checked={wasShort}
            onChange={(e) => {
              setShort(e.target.checked);
            }}
          />{' '}
          {t('check.short')}
        </label>{' '}
        <label>
          <input
            type="checkbox"
            checked={isSure}
            onChange={(e) => {
              setSure(e.target.checked);
            }}
          />{' '}
          {t('check.counted-twice')}
        </label>
      </p>
      {place && (
        <p className="field-problem" role="alert">
          {place}
        </p>
      )}
      <p className="crews-acts">
        <Button type="primary" htmlType="submit" disabled={sending.busy} data-test="check-save">
          {t('report.save')}
        </Button>
        <Button onClick={onDone}>{t('discard')}</Button>
      </p>
    </form>
  );
}
