import type { TrainingView } from '../../api/client';
import { heightFor } from '../../drawings/tree';
import { TreeDrawing } from '../../drawings/TreeDrawing';
import { useWidth } from '../../drawings/useWidth';
import { useReading } from '../../words/useReading';
import { usePlantingWork } from '../../planting/usePlanting';
import { useYoungTrees } from './useTraining';

type Plan = NonNullable<TrainingView['plan']>;

const LEAST = 132;
const TALLEST = 210;
const GROUND = 14;
const MARGIN = 4;

/** A tree at the end of each leaf, side by side and to one scale, up to the height it is to reach. */
export function LeafStrip({
  training,
  plan,
  shown,
  onShow,
}: {
  training: TrainingView;
  plan: Plan;
  shown: number;
  onShow: (leaf: number) => void;
}) {
  const { t, told, number } = useReading();
  const { view } = usePlantingWork();
  const trees = useYoungTrees(view.id);
  const [ref, width] = useWidth<HTMLDivElement>(1040);
  const each = Math.max(LEAST, Math.floor(width / plan.leaves.length));
  const grown = trees.data?.at(-1)?.tree;
  const height = grown ? heightFor(grown, each - 2, TALLEST, GROUND, MARGIN) : TALLEST;
  return (
    <div className="leaf-strip" ref={ref} role="group" aria-label={t('training.leaves')}>
      {plan.leaves.map((leaf) => {
        const young = trees.data?.[leaf.leaf - 1];
        const isNow = leaf.leaf === training.leaf;
        return (
          <button
            key={leaf.leaf}
            type="button"
            className={`leaf${shown === leaf.leaf ? ' leaf-shown' : ''}`}
            aria-pressed={shown === leaf.leaf}
            style={{ width: each }}
            data-test={`leaf-${leaf.leaf}`}
            onClick={() => {
              onShow(leaf.leaf);
            }}
          >
            <span className="leaf-name">
              {t('training.leaf', { leaf: leaf.leaf })} <span className="dim">{leaf.season}</span>
              {isNow && <span className="leaf-now">{t('training.now')}</span>}
            </span>
            <span className="leaf-tree" style={{ height }}>
              {young && (
                <TreeDrawing
                  tree={young.tree}
                  view={young.seenFrom}
                  width={each - 2}
                  height={height}
                  made={[]}
                  ground={GROUND}
                  margin={MARGIN}
                  wires={young.wiresM}
                  heightLimitM={young.finalHeightM}
                  heightLimitText=""
                  like={grown}
                  marks={false}
                />
              )}
            </span>
            <span className="small">
              {leaf.isMeasured ? '' : '≈ '}
              {told(leaf.heightM, 'm', 1)} · {t('training.girth', { girth: told(leaf.girthCm, 'cm', 0) })}
            </span>
            <span className="small">{t('training.limbs', { limbs: number(leaf.limbs, 0) })}</span>
            <span className="small">
              {leaf.crop
                ? t('training.fruit', { fruit: number(Math.floor(leaf.crop.fruitPerTree), 0) })
                : t(leaf.cropShare > 0 ? 'training.crop-share' : 'training.no-fruit', {
                    share: number(leaf.cropShare * 100, 0),
                  })}
            </span>
            <span className="small dim">{leaf.hours > 0 ? told(leaf.hours, 'h', 0) : '–'}</span>
          </button>
        );
      })}
    </div>
  );
}
