import { Link } from 'react-router';
import type { TrainedLeaf, TrainingView } from '../../api/client';
import { Why } from '../../entry/Why';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';

/** What is done in one leaf, and how far it is. */
export function LeafTasks({
  training,
  leaf,
  isNow,
  planting,
}: {
  training: TrainingView;
  leaf: TrainedLeaf;
  isNow: boolean;
  planting: string;
}) {
  const { t, local, number, told } = useReading();
  const day = useDays();
  const done = training.done.filter((d) => d.leaf === leaf.leaf);
  const known = new Set(leaf.tasks.map((x) => x.task.id));
  const others = done.filter((d) => !known.has(d.task));
  return (
    <section className="leaf-tasks" data-test="leaf-tasks">
      <h3>
        {t('training.tasks-of', { leaf: leaf.leaf, season: leaf.season })}{' '}
        <span className="dim small">{t('training.paid', { hours: number(leaf.hours, 0) })}</span>
      </h3>
      {leaf.crop && (
        <p>
          <Why steps={leaf.crop.steps}>
            {t('training.most-fruit', {
              fruit: number(Math.floor(leaf.crop.fruitPerTree), 0),
              share: number(leaf.cropShare * 100, 0),
            })}
          </Why>
        </p>
      )}
      <ol>
        {leaf.tasks.map(({ task, hours, secondsPerTree }) => {
          const report = done.find((d) => d.task === task.id);
          return (
            <li key={task.id} data-test={`task-${task.id}`}>
              <span className={report ? 'task-box task-done' : 'task-box'} aria-hidden />
              <span>
                <strong>{local(task.name)}</strong>{' '}
                {task.perTree != null && task.of && (
                  <span>{t('training.per-tree', { number: number(task.perTree), of: local(task.of) })}</span>
                )}{' '}
                {hours && (
                  <Why steps={hours.steps}>
                    ≈ {number(hours.paid, 0)} {t('unit:h')}
                  </Why>
                )}{' '}
                {secondsPerTree != null && (
                  <span className="small dim">
                    {told(secondsPerTree, 's/tree', 0)}
                    {task.times != null && ` × ${task.times}`}
                  </span>
                )}
                <br />
                <span className="small">{local(task.what)}</span>
                {task.caution && <span className="small passes-caution">▲ {local(task.caution)}</span>}
                <span className="small task-links">
                  {report && <span className="task-report">{t('passes.done-on', { day: day(report.day) })}</span>}
                  {isNow && (
                    <>
                      <Link to={`/plantings/${planting}/passes`}>{t('training.in-year')}</Link>
                      <Link to={`/plantings/${planting}/passes/${task.id}/card`}>{t('passes.card')}</Link>
                    </>
                  )}
                  {task.about === 'bareLeader' && <Link to="leader">{t('training.leader-bench')}</Link>}
                </span>
              </span>
            </li>
          );
        })}
        {others.map((d) => (
          <li key={d.task}>
            <span className="task-box task-done" aria-hidden />
            <span className="small">
              {d.name ? local(d.name) : d.task} · {t('passes.done-on', { day: day(d.day) })} · {t('training.no-more')}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
