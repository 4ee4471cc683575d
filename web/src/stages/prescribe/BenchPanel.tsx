import { Button } from 'antd';
import type { BenchCut, BenchView } from '../../api/client';
import { WhyAsked } from '../../entry/Why';
import { useReading } from '../../words/useReading';
import { BenchLedger } from './BenchLedger';
import { useTold } from './useTold';
import type { useBench } from './useBench';

/** Limbs named one by one before the rest is a number. */
const MOST_NAMED = 4;

type Work = ReturnType<typeof useBench>;

/** Beside the tree: how many buds are left, the cut at hand and why, and the list of cuts. */
export function BenchPanel({
  work,
  data,
  toTheNumber,
  playing,
  play,
}: {
  work: Work;
  data: BenchView;
  /** Whether the pass at hand goes to a number; what is cut before or beside it does not. */
  toTheNumber: boolean;
  playing: boolean;
  play: () => void;
}) {
  const { t, number, local } = useReading();
  const told = useTold();
  const { made, ahead, mode } = work;
  const after = made.at(-1)?.after ?? data.before;
  const now = made.at(-1);
  const over = after.floralBuds - data.toLeave;
  const all = [...made, ...ahead];
  // Why a step cut no more is told once it has made its last cut.
  const end =
    mode === 'card' && now && ahead[0]?.stepId !== now.stepId
      ? data.steps.find((s) => s.stepId === now.stepId)?.end
      : undefined;
  const share = (of: number) => `${number(of * 100, 0)} %`;
  const measures: [string, string | null][] = [
    ['limbs', number(after.limbs, 0)],
    ['thickest', after.thickestRatio === null || !data.limitsRatio ? null : number(after.thickestRatio, 2)],
    ['big-cuts', t('bench.of', { a: after.bigCuts, b: data.bigCuts })],
    ['wood', share(after.woodShare)],
    ['zones', [after.topShare, after.middleShare, after.bottomShare].map(share).join(' · ')],
  ];
  return (
    <aside className="bench-panel">
      <p className="bench-counted">{t('bench.left', { counted: local(data.counted) })}</p>
      <p className="bench-number">
        <span data-test="bench-left">
          <WhyAsked query={work.why} code="bench.left">
            {number(after.floralBuds, 0)}
          </WhyAsked>
        </span>
        {toTheNumber && (
          <span className="bench-over">
            {t(over >= 0 ? 'bench.over' : 'bench.under', {
              over: number(Math.abs(over), 0),
              wanted: number(data.toLeave, 0),
            })}
          </span>
        )}
        <span className="bench-step dim">
          {mode === 'card'
            ? t('bench.step', { step: work.step, of: data.prescribed.length })
            : t('bench.made', { count: made.length })}
        </span>
      </p>
      {toTheNumber ? (
        <BenchLedger
          left={after.floralBuds}
          before={data.before.floralBuds}
          wanted={data.toLeave}
          low={data.bandLow}
          high={data.bandHigh}
        />
      ) : (
        <p className="dim">{t('bench.no-number')}</p>
      )}
      <section className="bench-now" aria-live="polite">
        {now ? (
          <>
            <h2>{t('bench.now', { number: now.number, step: now.step ? local(now.step) : t('bench.own-cut') })}</h2>
            <p>{told(now)}</p>
            {now.caution && <p className="cut-caution">▲ {local(now.caution)}</p>}
            {end && (
              <p className="dim" data-test="step-end">
                {t('bench.then', { end: t(`bench.end-${end}`) })}
              </p>
            )}
          </>
        ) : (
          <p className="dim">{t(mode === 'card' ? 'bench.begin' : 'bench.begin-hand')}</p>
        )}
      </section>
      <div className="bench-tools">
        {mode === 'card' ? (
          <>
            <Button
              onClick={() => {
                work.go(0);
              }}
              disabled={work.step === 0}
              aria-label={t('bench.first')}
            >
              ⇤
            </Button>
            <Button
              onClick={() => {
                work.go(work.step - 1);
              }}
              disabled={work.step === 0}
              aria-label={t('bench.back')}
            >
              ←
            </Button>
            <Button
              onClick={() => {
                work.go(work.step + 1);
              }}
              disabled={work.step === data.prescribed.length}
              aria-label={t('bench.next')}
              data-test="step"
            >
              →
            </Button>
            <Button onClick={play} data-test="play">
              {t(playing ? 'bench.pause' : 'bench.play')}
            </Button>
            <Button
              type="primary"
              onClick={() => {
                work.enter('hand');
              }}
              data-test="take-over"
            >
              {t('bench.take-over')}
            </Button>
            {toTheNumber && (
              <Button
                onClick={() => {
                  work.enter('practice');
                }}
                data-test="practise"
              >
                {t('bench.practise')}
              </Button>
            )}
          </>
        ) : (
          <>
            <Button onClick={work.undo} disabled={work.handCuts === 0} data-test="undo">
              {t('bench.undo')}
            </Button>
            <Button onClick={work.redo} disabled={work.undone === 0} data-test="redo">
              {t('bench.redo')}
            </Button>
            <Button onClick={work.restart}>{t('bench.restart')}</Button>
            <Button
              onClick={() => {
                work.enter('card');
              }}
              data-test="to-card"
            >
              {t('bench.to-card')}
            </Button>
          </>
        )}
      </div>
      <p className="bench-keys small dim">
        {mode === 'card' ? (
          <>
            <kbd>←</kbd> <kbd>→</kbd> {t('bench.key-step')} <kbd>x</kbd> {t('bench.take-over')} <kbd>p</kbd>{' '}
            {t('bench.practise')}
          </>
        ) : (
          <>
            <kbd>↑</kbd> <kbd>↓</kbd> {t('bench.key-limb')} <kbd>x</kbd> {t('bench.key-cut')} <kbd>u</kbd>{' '}
            {t('bench.undo')} <kbd>r</kbd> {t('bench.redo')}
          </>
        )}
      </p>
      <CutList cuts={all} made={made.length} go={mode === 'card' ? work.go : undefined} />
      <dl className="bench-measures">
        {measures.map(([code, text]) => (
          <div key={code} className={`bench-${code}`}>
            <dt>{t(`bench.${code}`)}</dt>
            <dd>
              {text === null ? (
                '–'
              ) : (
                <WhyAsked query={work.why} code={`bench.${code}`}>
                  {text}
                </WhyAsked>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {mode === 'card' && <FirstNextWinter limbs={data.firstNextWinter} />}
      {mode === 'card' && (
        <details className="bench-ends small">
          <summary>{t('bench.ends')}</summary>
          <table className="figures">
            <tbody>
              {data.steps.map((s) => (
                <tr key={s.stepId}>
                  <td>{local(s.name)}</td>
                  <td className="number">{t('bench.made', { count: s.cuts })}</td>
                  <td>{t(`bench.end-${s.end}`)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
      <p className="bench-safety small">{t('bench.safety')}</p>
    </aside>
  );
}

/** Limbs too thick for their place that stay this winter, and why: what the next winter begins with. */
function FirstNextWinter({ limbs }: { limbs: BenchView['firstNextWinter'] }) {
  const { t, number, told } = useReading();
  if (limbs.length === 0) return null;
  const more = limbs.length - MOST_NAMED;
  return (
    <section className="bench-next small" data-test="next-winter">
      <h3>{t('bench.next-winter')}</h3>
      <ul>
        {limbs.slice(0, MOST_NAMED).map((l) => (
          <li key={l.branch}>
            <strong>{told(l.diameterMm, 'mm', 0)}</strong>{' '}
            {[
              t('bench.next-at', { height: told(l.heightM, 'm', 1) }),
              ...(l.ratio === null ? [] : [t('bench.next-ratio', { ratio: number(l.ratio, 2) })]),
              l.shortened ? t('bench.next-shortened') : t(`bench.end-${l.reason}`),
            ].join(' · ')}
          </li>
        ))}
        {more > 0 && <li className="dim">{t('bench.next-more', { count: more })}</li>}
      </ul>
    </section>
  );
}

/** The cuts in their order; single buds of one step are one line. */
function CutList({
  cuts,
  made,
  go,
}: {
  cuts: readonly BenchCut[];
  made: number;
  go: ((to: number) => void) | undefined;
}) {
  const { t, number, local, amount } = useReading();
  const fallen = (group: BenchCut[]) => {
    const buds = group.reduce((sum, c) => sum + c.drop, 0);
    return buds === 0 ? '0' : `−${number(buds, 0)}`;
  };
  const groups: BenchCut[][] = [];
  for (const cut of cuts) {
    const last = groups.at(-1);
    if (
      last &&
      cut.bud !== null &&
      last[0]!.bud !== null &&
      last[0]!.stepId === cut.stepId &&
      last.at(-1)!.number <= made === cut.number <= made
    )
      last.push(cut);
    else groups.push([cut]);
  }
  return (
    <ol className="bench-cuts" data-test="bench-cuts">
      {groups.map((group) => {
        const [first, last] = [group[0]!, group.at(-1)!];
        const height = amount(first.figures.find((f) => f.name === 'height')?.value ?? first.at.heightM, 'm', 2);
        const name = first.step ? local(first.step) : t('bench.own-cut');
        return (
          <li
            key={first.number}
            className={last.number > made ? 'bench-ahead' : last.number === made ? 'bench-current' : ''}
          >
            <button type="button" disabled={!go} onClick={() => go?.(last.number)}>
              <span>
                {group.length > 1 ? `${first.number}–${last.number}` : first.number} {name}
                {group.length === 1 && ` · ${height.number} ${height.unit}`}
              </span>
              <span>{fallen(group)}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
