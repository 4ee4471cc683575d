import { Button } from 'antd';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import type { CourseTree } from '../../api/client';
import { Trouble } from '../../Trouble';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { CrewTabs } from '../crew/CrewTabs';
import { useMay } from '../../people/session';
import './bench.css';
import { useCourse, useCourseScores } from './usePractice';

const address = ({ planting, asks }: CourseTree) =>
  `/plantings/${planting}/bench?practice&class=${asks.class}&number=${asks.number}`;

/** A first day with the shears, on screen: five trees of the estate's own systems, each a little harder. */
export function CoursePage() {
  const { t, number, local } = useReading();
  const may = useMay();
  const navigate = useNavigate();
  const course = useCourse();
  const scores = useCourseScores();
  useEffect(() => {
    document.title = `${t('course.title')} · Rama`;
  }, [t]);
  if (course.error) return <Trouble error={course.error} retry={() => void course.refetch()} />;
  if (!course.data) return <p className="waiting">{t('loading')}</p>;
  const trees = course.data;
  const done = trees.filter((x) => scores.of(x) !== undefined);
  const next = trees.find((x) => scores.of(x) === undefined);
  return (
    <main className="page course">
      {may('report') && <CrewTabs />}
      <h1>{t('course.title')}</h1>
      <p>{t('course.text')}</p>
      {trees.length === 0 && <p>{t('course.none')}</p>}
      {trees.length > 0 && (
        <p className="course-count" data-test="course-done">
          <b>{done.length}</b> {t('course.of', { count: trees.length })}
        </p>
      )}
      <ol className="course-trees" data-test="course">
        {trees.map((tree, i) => {
          const score = scores.of(tree);
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
                href={address(tree)}
                onClick={(e) => {
                  e.preventDefault();
                  void navigate(address(tree));
                }}
                data-test={`course-${i + 1}`}
              >
                {t(score === undefined ? 'course.cut' : 'course.again')}
              </Button>
            </li>
          );
        })}
      </ol>
      {done.length > 0 && (
        <Button
          onClick={() => {
            scores.forget();
          }}
        >
          {t('course.forget')}
        </Button>
      )}
      <p className="small dim">{t('bench.safety')}</p>
    </main>
  );

  function asked({ asks }: CourseTree) {
    return [
      t('course.cuts', { count: asks.cuts }),
      ...(asks.bigCuts > 0 ? [t('course.big', { count: asks.bigCuts })] : []),
      ...(asks.unsound > 0 ? [t('course.unsound', { count: asks.unsound })] : []),
      ...(asks.buds > 0 ? [t('course.buds', { count: asks.buds })] : []),
    ].join(' · ');
  }
}
