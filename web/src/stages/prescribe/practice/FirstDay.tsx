import { Button } from 'antd';
import { useNavigate } from 'react-router';
import type { CourseTree } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { practiceAddress } from './practiceAddress';
import { usePracticeScores } from './usePractice';

/** A first day with the shears, on screen: five trees of the estate's own systems, each a little harder. */
export function FirstDay({ trees }: { trees: readonly CourseTree[] }) {
  const { t, number, local } = useReading();
  const navigate = useNavigate();
  const scores = usePracticeScores();
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
          const to = practiceAddress(tree.planting, tree.asks.class, tree.asks.number);
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
              <Button
                type={tree === next ? 'primary' : 'default'}
                href={to}
                onClick={(e) => {
                  e.preventDefault();
                  void navigate(to);
                }}
                data-test={`course-${i + 1}`}
              >
                {t(score === undefined ? 'course.cut' : 'course.again')}
              </Button>
            </li>
          );
        })}
      </ol>
      {scores.noted && done.length > 0 && <Button onClick={scores.forget}>{t('course.forget')}</Button>}
    </section>
  );
}
