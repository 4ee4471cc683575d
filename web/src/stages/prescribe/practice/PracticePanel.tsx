import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { BenchView, NextTree } from '../../../api/client';
import { useMay } from '../../../people/session';
import { useReading } from '../../../words/useReading';
import { KeepTree } from './KeepTree';
import { Practised } from './Practised';
import type { BenchTree, useBench } from '../useBench';
import { KeptForMe } from './KeptForMe';
import { useKeepMine, useMyPractice } from './useMyPractice';
import { usePracticeScores } from './usePractice';

const PARTS = ['number', 'work', 'limits', 'order', 'minutes'] as const;

/**
 * Practice: the card is beside the uncut tree, what stands is not told until the pruner is done. Then the score, with
 * its reasons, each shown at its place.
 */
export function PracticePanel({
  id,
  work,
  data,
  tree,
  trained,
  comparing,
  onCompare,
  onSpoken,
  onNext,
}: {
  id: string;
  work: ReturnType<typeof useBench>;
  data: BenchView;
  /** Which tree it is. */
  tree: BenchTree;
  /** What it was chosen to train; nothing where it was not chosen so. */
  trained: NextTree['trains'];
  /** Whether it stands beside the same tree by the card. */
  comparing: boolean;
  onCompare: (comparing: boolean) => void;
  /** Shows wood that is spoken of. */
  onSpoken: (branches: readonly number[]) => void;
  /** Puts another tree there. */
  onNext: () => void;
}) {
  const { t, number, local, say } = useReading();
  const may = useMay();
  const [done, setDone] = useState(false);
  const score = work.score;
  const scores = usePracticeScores();
  const mine = useMyPractice().data;
  const keepMine = useKeepMine(id);
  const [run] = useState(() => crypto.randomUUID());
  // A lead's device goes from hand to hand: there somebody says whose the tree was.
  const own = mine?.worker != null && !may('practice');
  const keepOwn = () => {
    keepMine.mutate({ id: run, tree, cuts: work.cuts });
  };
  return (
    <aside className="bench-panel">
      <p className="bench-counted">{t('practice.leave', { counted: local(data.counted) })}</p>
      <p className="bench-number">
        <span data-test="practice-target">{number(data.toLeave, 0)}</span>{' '}
        <span className="bench-over">
          {t('practice.band', { low: number(data.bandLow, 0), high: number(data.bandHigh, 0) })}
        </span>
      </p>
      {!done ? (
        <>
          {trained && (
            <p className="practice-trains" data-test="trains">
              {t(`trains.${trained}`)}
            </p>
          )}
          <p>{t('practice.text')}</p>
          <section className="practice-card" data-test="practice-card">
            <h2>{t('practice.card')}</h2>
            <ol>
              {data.steps
                .filter((s) => s.cuts > 0)
                .map((s) => (
                  <li key={s.stepId}>
                    {local(s.name)} <span className="dim">{t('practice.about', { count: s.cuts })}</span>
                  </li>
                ))}
            </ol>
          </section>
          <p className="dim">{t('bench.made', { count: work.handCuts })}</p>
          <div className="bench-tools">
            <Button onClick={work.undo} disabled={work.handCuts === 0} data-test="undo">
              {t('bench.undo')}
            </Button>
            <Button onClick={work.redo} disabled={work.undone === 0} data-test="redo">
              {t('bench.redo')}
            </Button>
            <Button
              type="primary"
              onClick={() => {
                setDone(true);
                if (own) keepOwn();
                else if (score && tree.row === null) scores.note(id, data.class, tree.number, score.score);
              }}
              disabled={work.handCuts === 0 || work.telling}
              data-test="done"
            >
              {t('practice.done')}
            </Button>
            <Button
              onClick={() => {
                work.enter('card');
              }}
            >
              {t('bench.to-card')}
            </Button>
          </div>
          <p className="bench-safety small">{t('bench.safety')}</p>
        </>
      ) : (
        score && (
          <section aria-live="polite">
            <p className="practice-score" data-test="score">
              <b>{number(score.score, 0)}</b> {t('practice.of-100')}
            </p>
            <dl className="bench-measures">
              {PARTS.map((part) => (
                <div key={part}>
                  <dt>{t(`practice.${part}`)}</dt>
                  <dd>{t('bench.of', { a: number(score[part].points, 0), b: number(score[part].of, 0) })}</dd>
                </div>
              ))}
            </dl>
            <ul className="practice-remarks" data-test="remarks">
              {score.remarks.map((r) => (
                <li key={r.code}>
                  {score.places[r.code] ? (
                    <button
                      type="button"
                      className="practice-remark"
                      onClick={() => {
                        onSpoken(score.places[r.code]!);
                      }}
                    >
                      {say(r)}
                    </button>
                  ) : (
                    say(r)
                  )}
                  {score.nextTime?.[r.code] && (
                    <span className="practice-next-time">
                      <b>{t('practice.next-time')}</b> {local(score.nextTime?.[r.code])}
                    </span>
                  )}
                </li>
              ))}
            </ul>
            {score.most < 100 && <p className="small">{t('practice.most', { most: number(score.most, 0) })}</p>}
            {may('practice') && <KeepTree keep={work.keep} />}
            {own && <KeptForMe keep={keepMine} again={keepOwn} />}
            <div className="bench-tools">
              <Button
                onClick={() => {
                  setDone(false);
                  onCompare(false);
                  onSpoken([]);
                }}
              >
                {t('practice.go-on')}
              </Button>
              <Button
                type={comparing ? 'primary' : 'default'}
                aria-pressed={comparing}
                onClick={() => {
                  onCompare(!comparing);
                }}
                data-test="beside-card"
              >
                {t('practice.beside')}
              </Button>
              <Button onClick={onNext} data-test="next-tree">
                {t('practice.next')}
              </Button>
              <Button
                onClick={() => {
                  work.enter('card');
                }}
                data-test="to-card"
              >
                {t('practice.see-card')}
              </Button>
            </div>
          </section>
        )
      )}
      <p className="small">
        <Link to="/practice">{t('course.title')}</Link>
      </p>
      {may('practice') && <Practised id={id} />}
    </aside>
  );
}
