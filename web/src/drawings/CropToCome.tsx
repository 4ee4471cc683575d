import { useReading } from '../words/useReading';
import './cropToCome.css';

interface Known {
  at: string;
  fruit: number;
  fruitLow: number;
  fruitHigh: number;
}

const WIDTH = 400,
  LINE = 34,
  NAMES = 118,
  EDGE = 40;

/** Point by point of the year the fruit a tree is to be expected to carry, eight years in ten, against those wanted. */
export function CropToCome({
  points,
  wanted,
  name,
  label,
}: {
  points: readonly Known[];
  wanted: number;
  name: (at: string) => string;
  label: string;
}) {
  const { number } = useReading();
  const most = Math.max(wanted, ...points.map((p) => p.fruitHigh), 1);
  const x = (fruit: number) => NAMES + ((WIDTH - NAMES - EDGE) * fruit) / most;
  const height = points.length * LINE + 22;
  return (
    <svg className="crop-to-come" viewBox={`0 0 ${WIDTH} ${height}`} role="img" aria-label={label}>
      <line x1={x(wanted)} x2={x(wanted)} y1={0} y2={height - 18} className="crop-wanted" />
      <text x={x(wanted)} y={height - 4} textAnchor="middle" className="crop-wanted-name">
        {number(wanted, 0)}
      </text>
      {points.map((p, i) => {
        const y = i * LINE + LINE / 2;
        return (
          <g key={p.at} className={i === points.length - 1 ? 'crop-now' : undefined}>
            <text x={0} y={y + 5}>
              {name(p.at)}
            </text>
            <rect
              x={x(p.fruitLow)}
              width={Math.max(2, x(p.fruitHigh) - x(p.fruitLow))}
              y={y - 8}
              height={16}
              className="crop-range"
            />
            <circle cx={x(p.fruit)} cy={y} r={5} className="crop-mean" />
            <text x={x(p.fruitHigh) + 6} y={y + 5} className="crop-number">
              {number(p.fruit, 0)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
