import { Button } from 'antd';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { api, answered } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { useTraining, useYoungTrees } from './useTraining';
import '../prescribe/card.css';
import './training.css';

/** The programme on paper, one page a leaf: the tree at its end, the tasks with a box to tick, what it may carry. */
export function TrainingPrintPage() {
  const { t, local, number, told, system } = useReading();
  const { id } = useParams();
  const training = useTraining(id!);
  const trees = useYoungTrees(id!);
  const planting = useQuery({
    queryKey: ['planting', id, null],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id: id! } } })),
  });
  const failed = training.error ?? trees.error ?? planting.error;
  if (failed) return <Trouble error={failed} retry={() => void training.refetch()} />;
  const plan = training.data?.plan;
  if (!plan || !trees.data || !planting.data) return <p className="waiting">{t('loading')}</p>;
  const { variety, rootstock } = planting.data.planting;
  return (
    <main className="card-page">
      <div className="card-tools no-print">
        <Link to={`/plantings/${id}/training`}>← {t('training.title')}</Link>
        <Button
          type="primary"
          onClick={() => {
            window.print();
          }}
        >
          {t('card.print')}
        </Button>
      </div>
      {plan.leaves.map((leaf, i) => (
        <article
          key={leaf.leaf}
          className={`card leaf-page card-${system === 'us' ? 'letter' : 'a4'}`}
          data-test="leaf-page"
        >
          <header className="card-head">
            <h1>
              {titleOf(planting.data.planting)} · {t('training.leaf', { leaf: leaf.leaf })} ({leaf.season})
            </h1>
            <p>
              {variety} / {rootstock} · {t('training.paid', { hours: number(leaf.hours, 0) })}
            </p>
          </header>
          <div className="card-body">
            <section>
              <h2>
                {leaf.crop
                  ? t('training.most-fruit', {
                      fruit: number(Math.floor(leaf.crop.fruitPerTree), 0),
                      share: number(leaf.cropShare * 100, 0),
                    })
                  : t(leaf.cropShare > 0 ? 'training.crop-share' : 'training.no-fruit', {
                      share: number(leaf.cropShare * 100, 0),
                    })}
              </h2>
              <ol className="leaf-page-tasks">
                {leaf.tasks.map(({ task }) => (
                  <li key={task.id}>
                    <span className="task-box" aria-hidden />
                    <span>
                      <strong>{local(task.name)}</strong>{' '}
                      {task.perTree != null &&
                        task.of &&
                        t('training.per-tree', { number: number(task.perTree), of: local(task.of) })}
                      <br />
                      {local(task.what)}
                      {task.caution && <em className="leaf-page-caution">▲ {local(task.caution)}</em>}
                    </span>
                  </li>
                ))}
              </ol>
            </section>
            <figure className="card-side leaf-page-tree">
              <TreeDrawing
                tree={trees.data[i]!.tree}
                view={trees.data[i]!.seenFrom}
                width={248}
                height={380}
                made={[]}
                ground={24}
                margin={14}
                wires={trees.data[i]!.wiresM}
                heightLimitM={trees.data[i]!.finalHeightM}
                heightLimitText={t('training.final-height')}
                like={trees.data.at(-1)?.tree}
              />
              <figcaption>
                {t('training.at-end', {
                  height: told(leaf.heightM, 'm', 1),
                  girth: told(leaf.girthCm, 'cm', 0),
                  limbs: number(leaf.limbs, 0),
                })}
              </figcaption>
            </figure>
          </div>
        </article>
      ))}
    </main>
  );
}
