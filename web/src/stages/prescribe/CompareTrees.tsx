import { Button } from 'antd';
import { useState } from 'react';
import type { BenchCut, BenchView } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { heightFor, type View } from '../../drawings/tree';
import { useReading } from '../../words/useReading';

/** Pixels the words above take. */
const HEAD = 84;
const MARGIN = 24;
const GROUND = 24;

/** The tree as it was cut by hand beside the same tree by the card, step by step. */
export function CompareTrees({
  data,
  made,
  view,
  width,
  height,
  spoken,
}: {
  data: BenchView;
  made: readonly BenchCut[];
  view: View;
  width: number;
  height: number;
  /** Wood that is spoken of. */
  spoken: readonly number[];
}) {
  const { t, local } = useReading();
  // Steps the card or the hand took, in the card's order; what no step asks for comes last.
  const steps = data.steps.filter((s) => s.cuts > 0 || made.some((c) => c.stepId === s.stepId));
  const own = made.filter((c) => c.stepId === null);
  const last = steps.length + (own.length > 0 ? 1 : 0);
  const [at, setAt] = useState(last);
  const upTo = new Set(steps.slice(0, at).map((s) => s.stepId));
  const shown = (cuts: readonly BenchCut[]) =>
    cuts.filter((c) => (c.stepId === null ? at > steps.length : upTo.has(c.stepId)));
  const step = steps[at - 1];
  const count = (cuts: readonly BenchCut[]) =>
    cuts.filter((c) => (step ? c.stepId === step.stepId : c.stepId === null)).length;
  // One below the other where there is no room for both.
  const beside = width >= 560;
  const each = beside ? width / 2 : width;
  const sides = [
    ['yours', made],
    ['cards', data.prescribed],
  ] as const;
  return (
    <section className="compare-trees" data-test="compare" data-step={at}>
      <div className="compare-head">
        <Button
          disabled={at === 0}
          aria-label={t('bench.back')}
          onClick={() => {
            setAt(at - 1);
          }}
          data-test="compare-back"
        >
          ←
        </Button>
        <span>
          <strong>{at === 0 ? t('compare.uncut') : step ? local(step.name) : t('compare.unasked')}</strong>
          {at > 0 && (
            <span className="dim"> {t('compare.counts', { yours: count(made), cards: count(data.prescribed) })}</span>
          )}
        </span>
        <Button
          disabled={at === last}
          aria-label={t('bench.next')}
          onClick={() => {
            setAt(at + 1);
          }}
          data-test="compare-next"
        >
          →
        </Button>
      </div>
      <div className="compare-pair">
        {sides.map(([whose, cuts]) => (
          <figure key={whose}>
            <figcaption>{t(`compare.${whose}`)}</figcaption>
            <TreeDrawing
              tree={data.tree}
              view={view}
              width={each}
              height={heightFor(data.tree, each, (beside ? height : height * 0.7) - HEAD, GROUND, MARGIN)}
              margin={MARGIN}
              ground={GROUND}
              made={shown(cuts)}
              now={false}
              wires={data.wiresM}
              heightLimitM={data.heightLimitM}
              heightLimitText={t('bench.height-limit')}
              spoken={whose === 'yours' ? spoken : []}
            />
          </figure>
        ))}
      </div>
    </section>
  );
}
