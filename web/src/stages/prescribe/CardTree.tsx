import type { BenchView, PruningCard } from '../../api/client';
import { TreeDrawing } from '../../drawings/TreeDrawing';

const WIDTH = 250;
const HEIGHT = 400;
const MOST_BUDS = 2;

/** A typical tree in black and white: pale what goes, dark what stays, the cuts numbered as on the card. */
export function CardTree({ bench, cuts }: { bench: BenchView; cuts: PruningCard['cuts'] }) {
  const numberOf = (step: string | null) => cuts.find((c) => c.stepId === step && c.made)?.number;
  let buds = 0;
  // A cut the card does not name this winter is not drawn, nor are more than a few of the single buds.
  const drawn = bench.prescribed.flatMap((cut) => {
    const number = numberOf(cut.stepId);
    if (number === undefined || (cut.bud !== null && ++buds > MOST_BUDS)) return [];
    return [{ ...cut, number }];
  });
  return (
    <div className="card-tree">
      <TreeDrawing tree={bench.tree} view="along" width={WIDTH} height={HEIGHT} made={drawn} now={false} heightLimitText="" metre={(m) => `${m} m`} ground={10} margin={10} />
    </div>
  );
}
