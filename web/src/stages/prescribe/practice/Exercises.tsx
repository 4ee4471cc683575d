import { Button } from 'antd';
import type { ExerciseResult, ExerciseView } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { TreeButton } from './TreeButton';
import { useExerciseChanges } from './useExercises';
import { usePracticeScores } from './usePractice';

/** People who are told without being asked for. */
const FEW = 6;

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
  const scores = usePracticeScores();
  const scoreOf = (tree: number) => scores.of(exercise.planting, exercise.class, tree);
  const done = exercise.numbers.filter((tree) => scoreOf(tree) !== undefined).length;
  const next = exercise.numbers.find((tree) => scoreOf(tree) === undefined);
  return (
    <li data-test={`exercise-${exercise.code}`}>
      <span className="course-place">{`${done}/${exercise.numbers.length}`}</span>
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
            <em data-typed>{exercise.note}</em>
          </>
        )}
        {exercise.results && exercise.results.length > 0 && <Results of={exercise} results={exercise.results} />}
      </span>
      <span className="number">
        {exercise.mine && t('course.score', { score: number(exercise.mine.meanScore, 0) })}
      </span>
      <span className="exercise-acts">
        <TreeButton
          planting={exercise.planting}
          trunk={exercise.class}
          number={next ?? exercise.numbers[0]!}
          first={next !== undefined}
          test="cut-exercise"
        >
          {next === undefined ? t('course.again') : t('exercise.cut', { tree: done + 1 })}
        </TreeButton>
        {onRemove && (
          <Button onClick={onRemove} disabled={busy} data-test="remove-exercise">
            {t('exercise.remove')}
          </Button>
        )}
      </span>
    </li>
  );
}

/** For leads: how far each has come. A long list is opened by whoever wants it. */
function Results({ of, results }: { of: ExerciseView; results: readonly ExerciseResult[] }) {
  const { t, number } = useReading();
  return (
    <details className="exercise-results" open={results.length <= FEW} data-test="exercise-results">
      <summary>{t('exercise.begun', { count: results.length })}</summary>
      <ul>
        {results.map((r) => (
          <li key={r.worker}>
            {t('exercise.result', {
              name: r.pruner,
              done: r.trees.length,
              of: of.numbers.length,
              mean: number(r.meanScore, 0),
            })}
          </li>
        ))}
      </ul>
    </details>
  );
}
