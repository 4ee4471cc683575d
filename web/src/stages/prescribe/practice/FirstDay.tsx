import { Button } from 'antd';
import type { CourseTree } from '../../../api/client';
import { Trouble } from '../../../Trouble';
import { useReading } from '../../../words/useReading';
import { TreeButton } from './TreeButton';
import { useCourse, usePracticeScores } from './usePractice';

/** A first day with the shears, on screen: five trees of the estate's own systems, each a little harder. */
export function FirstDay() {
  const { t, number, local } = useReading();
  const course = useCourse();
  const scores = usePracticeScores();
  if (course.error) return <Trouble error={course.error} retry={() => void course.refetch()} />;
  if (!course.data) return <p className="waiting">{t('loading')}</p>;
  const trees = course.data;
  const scoreOf = ({ planting, asks }: CourseTree) => scores.of(planting, asks.class, asks.number);
  const done = trees.filter((x) => scoreOf(x) !== undefined);
  const next = trees.find((x) => scoreOf(x) === undefined);
  const asked = ({ asks }: CourseTree) =>
    [
      t('course.cuts', { count: asks.cuts }),
      ...(asks.bigCuts > 0 ? [t('course.big', { count: asks.bigCuts })] : []),
      ...(asks.unsound > 0 ? [t('course.unsound', { count: asks.unsound })] : []),
      ...(asks.buds > 0 ? [t('course.buds', { count: asks.buds })] : []),
    ].join(' · ');
  return (
    <section>
      <h2>{t('course.first-day')}</h2>
      <p>{t('course.text')}</p>
      {trees.length === 0 && <p>{t('course.none')}</p>}
      {trees.length > 0 && (
        <p className="course-count" data-test="course-done">
          <b>{done.length}</b> {t('course.of', { count: trees.length })}
        </p>
      )}
      <ol className="course-trees" data-test="course">
        {trees.map((tree, i) => {
          const score = scoreOf(tree);
          return (
            <li key={`${tree.planting}/${tree.asks.number}`}>
              <span className="course-place">{i + 1}</span>
              <span>
                <strong>
                  {tree.code} {tree.name}
                </strong>{' '}
                <span className="dim">{local(tree.system)}</span>
                <br />
                <span className="small">{asked(tree)}</span>
              </span>
              <span className="number">
                {score === undefined ? '' : t('course.score', { score: number(score, 0) })}
              </span>
              <TreeButton
                planting={tree.planting}
                trunk={tree.asks.class}
                number={tree.asks.number}
                first={tree === next}
                test={`course-${i + 1}`}
              >
                {t(score === undefined ? 'course.cut' : 'course.again')}
              </TreeButton>
            </li>
          );
        })}
      </ol>
      {scores.noted && done.length > 0 && <Button onClick={scores.forget}>{t('course.forget')}</Button>}
    </section>
  );
}
