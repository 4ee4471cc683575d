import type { CardDrawing } from '../../api/client';
import type { UnitSystem } from '../../units/system';
import { TreeDrawing } from '../../drawings/TreeDrawing';

const WIDTH = 250;
const HEIGHT = 350;

/** A typical tree in black and white: pale what goes, dark what stays, the cuts numbered as on the card. */
export function CardTree({ drawing, units }: { drawing: CardDrawing; units: UnitSystem }) {
  return (
    <div className="card-tree">
      <TreeDrawing
        tree={drawing.tree} view={drawing.seenFrom} width={WIDTH} height={HEIGHT} made={drawing.cuts} now={false}
        heightLimitText="" units={units} ground={10} margin={10}
      />
    </div>
  );
}
