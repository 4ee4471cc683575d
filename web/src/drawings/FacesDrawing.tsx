import type { FaceLight } from '../api/client';
import { useReading } from '../words/useReading';
import './faces.css';

const WIDTH = 420;
const HEIGHT = 250;
const GROUND = 24;
const TOP = 14;
const MOST_M = 5.2;
const WIDEST = 46;

/** Two rows from their end: the longer a bar, the more of the day the sun reaches that face at that height. */
export function FacesDrawing({ light, heightM, rowM }: { light: FaceLight; heightM: number; rowM: number }) {
  const { t, number } = useReading();
  const scale = Math.min((HEIGHT - GROUND - TOP) / MOST_M, (WIDTH - 150) / (rowM + 0.5));
  const ground = HEIGHT - GROUND;
  const depth = light.depthM * scale;
  const level = heightM / light.heights.length;
  const rows = [WIDTH / 2 - (rowM * scale) / 2, WIDTH / 2 + (rowM * scale) / 2];
  return (
    <svg
      className="faces"
      width={WIDTH}
      height={HEIGHT}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t('row-light.drawing')}
    >
      <rect x={0} y={ground} width={WIDTH} height={GROUND} className="faces-ground" />
      {rows.map((x) => (
        <g key={x}>
          <rect
            x={x - depth / 2}
            y={ground - heightM * scale}
            width={depth}
            height={heightM * scale}
            rx={5}
            className="faces-canopy"
          />
          {light.heights.map((h) => (
            <g key={h.heightM}>
              {([-1, 1] as const).map((face) => {
                const lit = (face < 0 ? h.left : h.right) * WIDEST;
                return (
                  <rect
                    key={face}
                    x={face < 0 ? x - depth / 2 - lit : x + depth / 2}
                    y={ground - (h.heightM + level / 2) * scale + 0.5}
                    width={lit}
                    height={level * scale - 1}
                    className="faces-lit"
                  />
                );
              })}
            </g>
          ))}
        </g>
      ))}
      {[0, Math.floor(light.heights.length / 2), light.heights.length - 1].map((i) => {
        const h = light.heights[i]!;
        return (
          <text key={i} x={WIDTH / 2} y={ground - h.heightM * scale + 5} textAnchor="middle" className="faces-share">
            {number(h.right * 100, 0)} · {number(h.left * 100, 0)} %
          </text>
        );
      })}
    </svg>
  );
}
