import { useQuery } from '@tanstack/react-query';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { api, answered, type BenchView } from '../../api/client';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import type { useBench } from './useBench';

const NAME_KEY = 'rama-pruner';
const PARTS = ['number', 'limits', 'order', 'minutes'] as const;

/**
 * Practice: the card's number is known, what stands is not told until the pruner is done. Then the score, with its
 * reasons.
 */
export function PracticePanel({ id, work, data }: { id: string; work: ReturnType<typeof useBench>; data: BenchView }) {
  const { t, number, local, say } = useReading();
  const may = useMay();
  const [done, setDone] = useState(false);
  const [run] = useState(() => crypto.randomUUID());
  const [pruner, setPruner] = useState(() => window.localStorage.getItem(NAME_KEY) ?? '');
  const score = work.score;
  const keep = () => {
    window.localStorage.setItem(NAME_KEY, pruner);
    work.keep.mutate({ id: run, pruner });
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
          <p>{t('practice.text')}</p>
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
                <li key={r.code}>{say(r)}</li>
              ))}
            </ul>
            {may('count') && (
              <div className="practice-keep">
                <Input
                  value={pruner}
                  maxLength={60}
                  placeholder={t('practice.name')}
                  aria-label={t('practice.name')}
                  onChange={(e) => {
                    setPruner(e.target.value);
                  }}
                  disabled={work.keep.isSuccess}
                />
                <Button
                  type="primary"
                  onClick={keep}
                  disabled={pruner.trim() === '' || work.keep.isPending || work.keep.isSuccess}
                  data-test="keep-run"
                >
                  {t(work.keep.isSuccess ? 'practice.kept' : 'practice.keep')}
                </Button>
              </div>
            )}
            {work.keep.error && <p className="field-problem">{work.keep.error.message}</p>}
            <div className="bench-tools">
              <Button
                onClick={() => {
                  setDone(false);
                }}
              >
                {t('practice.go-on')}
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
      <Practised id={id} />
    </aside>
  );
}

/** For the lead: how each pruner does over all blocks, and the latest trees of this one. */
function Practised({ id }: { id: string }) {
  const { t, number } = useReading();
  const runs = useQuery({
    queryKey: ['practice', id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/practice', { params: { path: { id } } })),
  });
  const pruners = useQuery({ queryKey: ['practice'], queryFn: () => answered(api.GET('/api/v1/practice')) });
  return (
    <>
      {(pruners.data?.length ?? 0) > 0 && (
        <section className="practice-runs" data-test="pruners">
          <h2>{t('practice.pruners')}</h2>
          <table className="figures">
            <thead>
              <tr>
                <th>{t('practice.who')}</th>
                <th className="number">{t('practice.trees')}</th>
                <th className="number">{t('practice.mean')}</th>
                <th className="number">{t('practice.last')}</th>
              </tr>
            </thead>
            <tbody>
              {pruners.data!.map((p) => (
                <tr key={p.pruner}>
                  <td>
                    {p.pruner}
                    {p.faults.length > 0 && (
                      <p className="small">
                        {p.faults
                          .map((f) => t(`practice.fault-${f.code.replace('practice.', '')}`, { count: f.trees }))
                          .join('; ')}
                      </p>
                    )}
                  </td>
                  <td className="number">{p.trees}</td>
                  <td className="number">{number(p.meanScore, 0)}</td>
                  <td className="number">{p.lastScore}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {(runs.data?.length ?? 0) > 0 && (
        <section className="practice-runs">
          <h2>{t('practice.runs')}</h2>
          <table className="figures">
            <thead>
              <tr>
                <th>{t('practice.who')}</th>
                <th className="number">{t('practice.score')}</th>
                <th className="number">{t('practice.left-of')}</th>
              </tr>
            </thead>
            <tbody>
              {runs.data!.slice(0, 8).map((r) => (
                <tr key={r.id}>
                  <td>{r.pruner}</td>
                  <td className="number">{r.score}</td>
                  <td className="number">
                    {r.budsLeft} / {number(r.target, 0)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </>
  );
}
