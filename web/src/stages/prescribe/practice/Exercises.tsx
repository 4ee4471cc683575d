import { Button } from 'antd';
import { useNavigate } from 'react-router';
import type { ExerciseView } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { practiceAddress } from './practiceAddress';
import { useExerciseChanges } from './useExercises';
import { usePracticeScores } from './usePractice';

/** Exercises the leads set: how far whoever is signed in has come; for leads, how far each has. */
export function Exercises({ exercises }: { exercises: readonly ExerciseView[] }) {
  const { t } = useReading();
  const { remove, failure, busy } = useExerciseChanges();
  return (
    <section data-test="exercises">
      <h2>{t('exercise.title')}</h2>
      {exercises.length === 0 && <p className="dim">{t('exercise.none')}</p>}
      <ol className="course-trees">
        {exercises.map((exercise) => (
          <Exercise
            key={exercise.id}
            exercise={exercise}
            onRemove={exercise.results && (() => void remove(exercise.id))}
            busy={busy}
          />
        ))}
      </ol>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </section>
  );
}

function Exercise({
  exercise,
  onRemove,
  busy,
}: {
  exercise: ExerciseView;
  onRemove: (() => void) | null;
  busy: boolean;
}) {
  const { t, number, local } = useReading();
  const navigate = useNavigate();
  const scores = usePracticeScores();
  const scoreOf = (tree: number) => scores.of(exercise.planting, exercise.class, tree);
  const done = exercise.numbers.map(scoreOf).filter((score) => score !== undefined);
  const next = exercise.numbers.find((tree) => scoreOf(tree) === undefined);
  const to = practiceAddress(exercise.planting, exercise.class, next ?? exercise.numbers[0]!);
  return (
    <li data-test={`exercise-${exercise.code}`}>
      <span className="course-place">{`${done.length}/${exercise.numbers.length}`}</span>
      <span>
        <strong>
          {exercise.code} {exercise.name}
        </strong>{' '}
        <span className="dim">{local(exercise.system)}</span>
        <br />
        <span className="small">
          {t('exercise.trees', {
            count: exercise.numbers.length,
            class: t(`class.${exercise.class}`, { defaultValue: exercise.class }),
          })}
          {exercise.person && ` · ${t('exercise.by', { name: exercise.person })}`}
        </span>
        {exercise.note && (
          <>
            <br />
            <em>{exercise.note}</em>
          </>
        )}
        {exercise.results && exercise.results.length > 0 && (
          <ul className="exercise-results" data-test="exercise-results">
            {exercise.results.map((r) => (
              <li key={r.worker}>
                {t('exercise.result', {
                  name: r.pruner,
                  done: r.trees.length,
                  of: exercise.numbers.length,
                  mean: number(r.meanScore, 0),
                })}
              </li>
            ))}
          </ul>
        )}
      </span>
      <span className="number">
        {done.length > 0 &&
          t('exercise.mine', {
            done: done.length,
            of: exercise.numbers.length,
            mean: number(done.reduce((a, b) => a + b, 0) / done.length, 0),
          })}
      </span>
      <span className="exercise-acts">
        <Button
          type={next === undefined ? 'default' : 'primary'}
          href={to}
          onClick={(e) => {
            e.preventDefault();
            void navigate(to);
          }}
          data-test="cut-exercise"
        >
          {next === undefined ? t('course.again') : t('exercise.cut', { tree: done.length + 1 })}
        </Button>
        {onRemove && (
          <Button onClick={onRemove} disabled={busy} data-test="remove-exercise">
            {t('exercise.remove')}
          </Button>
        )}
      </span>
    </li>
  );
}
