import './scoreDays.css';

const WIDTH = 120,
  HEIGHT = 32,
  EDGE = 4;

/** Scores of 0 to 100, one a day of practice, from the first to the latest; days in between are left out. */
export function ScoreDays({ scores, label }: { scores: readonly number[]; label: string }) {
  const points = scores.map((score, i) => ({
    x: EDGE + (i / Math.max(1, scores.length - 1)) * (WIDTH - 2 * EDGE),
    y: HEIGHT - EDGE - (score / 100) * (HEIGHT - 2 * EDGE),
  }));
  const last = points.at(-1);
  return (
    <svg className="score-days" width={WIDTH} height={HEIGHT} role="img" aria-label={label}>
      <line x1={0} x2={WIDTH} y1={HEIGHT - EDGE} y2={HEIGHT - EDGE} className="score-none" />
      <polyline points={points.map(({ x, y }) => `${x},${y}`).join(' ')} />
      {last && <circle cx={last.x} cy={last.y} r={3} />}
    </svg>
  );
}
