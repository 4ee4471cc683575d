import type { CardDrawing } from '../../api/client';
import type { UnitSystem } from '../../units/system';
import { heightFor } from '../../drawings/tree';
import { TreeDrawing } from '../../drawings/TreeDrawing';

const WIDTH = 250;
const MOST_HIGH = 350;
const MARGIN = 10;
/** Room under the foot for numbers of low cuts. */
const GROUND = 26;

/** A typical tree in black and white: pale what goes, dark what stays, the cuts numbered as on the card. */
export function CardTree({ drawing, units }: { drawing: CardDrawing; units: UnitSystem }) {
  const height = heightFor(drawing.tree, WIDTH, MOST_HIGH, GROUND, MARGIN);
  return (
    <div className="card-tree">
      <TreeDrawing
        tree={drawing.tree}
        view={drawing.seenFrom}
        width={WIDTH}
        height={height}
        made={drawing.cuts}
        now={false}
        heightLimitText=""
        units={units}
        ground={GROUND}
        margin={MARGIN}
      />
    </div>
  );
}
