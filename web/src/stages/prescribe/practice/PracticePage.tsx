import { useEffect } from 'react';
import { Trouble } from '../../../Trouble';
import { useMay } from '../../../people/session';
import '../../../words/prescribe';
import { useReading } from '../../../words/useReading';
import { CrewTabs } from '../../crew/CrewTabs';
import { Exercises } from './Exercises';
import { FirstDay } from './FirstDay';
import { Everybody, MyProgress } from './Progress';
import { SetExercise } from './SetExercise';
import './practice.css';
import { useExercises } from './useExercises';
import { useMyPractice } from './useMyPractice';

/** Practice on screen: what the leads set, a first day's trees, and how it goes. */
export function PracticePage() {
  const { t } = useReading();
  const may = useMay();
  const [exercises, mine] = [useExercises(), useMyPractice()];
  useEffect(() => {
    document.title = `${t('course.title')} · Rama`;
  }, [t]);
  const failed = [exercises, mine].find((q) => q.error && !q.data);
  if (failed) return <Trouble error={failed.error!} retry={() => void failed.refetch()} />;
  if (!exercises.data || !mine.data) return <p className="waiting">{t('loading')}</p>;
  return (
    <main className="page course">
      {may('report') && <CrewTabs />}
      <h1>{t('course.title')}</h1>
      {mine.data.pruner === null ? (
        <p className="small dim" data-test="whose">
          {t('practice.nobodys')}
        </p>
      ) : (
        <p className="small" data-test="whose">
          {t(may('practice') ? 'practice.as-lead' : 'practice.as', { name: mine.data.pruner })}
        </p>
      )}
      <div className={may('practice') ? 'columns' : undefined}>
        <div>
          {(exercises.data.length > 0 || may('practice')) && <Exercises exercises={exercises.data} />}
          <FirstDay />
          {mine.data.progress && <MyProgress progress={mine.data.progress} />}
          {may('practice') && <Everybody />}
        </div>
        {may('practice') && (
          <aside>
            <SetExercise />
          </aside>
        )}
      </div>
      <p className="small dim">{t('bench.safety')}</p>
    </main>
  );
}
