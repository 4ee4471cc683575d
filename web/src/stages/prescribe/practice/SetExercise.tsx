import { useQuery } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import { api, answered, RequestError, type BenchView } from '../../../api/client';
import { ChoiceField } from '../../../entry/Choice';
import { Field } from '../../../entry/Field';
import { parseNumber } from '../../../units/parse';
import { useReading } from '../../../words/useReading';
import { useSeason } from '../../season/useSeason';
import { useExerciseChanges } from './useExercises';

/** For leads: gives the crew trees of one class of a planting to practise on. */
export function SetExercise() {
  const { t, language } = useReading();
  const season = useSeason();
  const { set, problem, unreadable, failure, busy } = useExerciseChanges();
  const [planting, setPlanting] = useState<string | null>(null);
  const [trunk, setTrunk] = useState('');
  const [trees, setTrees] = useState('3');
  const [note, setNote] = useState('');
  const [done, setDone] = useState(false);
  // Sent again, it is the same one.
  const [exercise, setExercise] = useState(() => crypto.randomUUID());
  const name = useId();
  // A planting's own classes, as its bench tells them.
  const classes = useQuery({
    queryKey: ['bench-classes', planting],
    queryFn: () =>
      answered(
        api.POST('/api/v1/plantings/{id}/bench', { params: { path: { id: planting! } }, body: { number: 0 } }),
      ) as Promise<BenchView>,
    select: (bench) => ({ all: bench.classes, usual: bench.class }),
    enabled: planting !== null,
    retry: false,
  });
  const submit = async () => {
    const many = parseNumber(trees, language);
    if (Number.isNaN(many)) {
      unreadable(['trees']);
      return;
    }
    const ok = await set(exercise, {
      planting: planting!,
      class: trunk || (classes.data?.usual ?? null),
      trees: many,
      note: note.trim() || null,
    });
    setDone(ok);
    if (!ok) return;
    setNote('');
    setExercise(crypto.randomUUID());
  };
  const fault =
    problem('planting') ??
    (missing(classes.error) ? t('exercise.no-prescription') : (classes.error?.message ?? undefined));
  return (
    <form
      className="sheet exercise-set"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <h2>{t('exercise.set')}</h2>
      <div className="field" data-field="planting">
        <label htmlFor={name}>{t('exercise.planting')}</label>
        <Select
          id={name}
          showSearch={{ optionFilterProp: 'label' }}
          placeholder={t('exercise.choose')}
          value={planting}
          options={(season.data?.plantings ?? []).map((p) => ({ value: p.id, label: `${p.code} ${p.name}` }))}
          onChange={(next: string) => {
            setPlanting(next);
            setTrunk('');
            setDone(false);
          }}
        />
        {fault && (
          <p className="field-problem" role="alert">
            {fault}
          </p>
        )}
      </div>
      {(classes.data?.all.length ?? 0) > 1 && (
        <ChoiceField
          label={t('exercise.class')}
          value={trunk || classes.data!.usual}
          options={classes.data!.all.map((c) => ({ value: c, label: t(`class.${c}`, { defaultValue: c }) }))}
          onChange={setTrunk}
        />
      )}
      <Field
        label={t('exercise.number')}
        path="trees"
        text={trees}
        onText={setTrees}
        problem={problem('trees')}
        hint={t('exercise.number-hint')}
      />
      <Field
        label={t('exercise.note')}
        path="note"
        text={note}
        onText={setNote}
        numeric={false}
        problem={problem('note')}
      />
      <Button
        type="primary"
        htmlType="submit"
        disabled={busy || planting === null || classes.data === undefined}
        data-test="set-exercise"
      >
        {t('exercise.set')}
      </Button>
      {done && <p role="status">{t('exercise.done')}</p>}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </form>
  );
}

/** Without counts there is no bench to put a tree on. */
const missing = (error: Error | null) => error instanceof RequestError && error.status === 404;
