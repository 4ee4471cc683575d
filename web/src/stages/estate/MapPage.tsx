import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { api, answered, type MapBlock, type SeasonLine } from '../../api/client';
import { linesPath, middleOf, ringsPath, scaleBar, windowOf, zoomed, type MapWindow } from '../../drawings/mapView';
import { Choice } from '../../entry/Choice';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { Pending } from '../season/Pending';
import { useSeason } from '../season/useSeason';
import './map.css';

const WIDTH = 1200;
const HEIGHT = 560;
const measures = ['decision', 'stage', 'work', 'check', 'variety'] as const;
type Measure = (typeof measures)[number];

/**
 * The estate from above: blocks from their outlines, by decision, stage, work or variety; those without one by their
 * rows.
 */
export function MapPage() {
  const { t } = useReading();
  const map = useQuery({ queryKey: ['map'], queryFn: () => answered(api.GET('/api/v1/map')) });
  const season = useSeason();
  const [measure, setMeasure] = useState<Measure>('decision');
  useEffect(() => {
    document.title = `${t('place.map')} · Rama`;
  }, [t]);
  const error = map.error ?? season.error;
  if (error)
    return (
      <Trouble
        error={error}
        retry={() => {
          void map.refetch();
          void season.refetch();
        }}
      />
    );
  if (!map.data || !season.data) return <p className="waiting">{t('loading')}</p>;

  const lines = new Map(season.data.plantings.map((p) => [p.id, p]));
  const paint = painter(measure, season.data.plantings);
  const drawn = map.data.blocks.filter((b) => b.rings.length > 0);
  const bare = map.data.blocks.filter((b) => b.rings.length === 0 && b.plantings.length > 0);
  return (
    <main className="season">
      <div className="season-head">
        <div>
          <h1>{t('map.title', { count: map.data.blocks.length })}</h1>
          <p className="dim">{t('map.text')}</p>
        </div>
        <Choice
          label={t('map.colour')}
          value={measure}
          onChange={(v) => {
            setMeasure(v as Measure);
          }}
          options={measures.map((m) => ({ value: m, label: t(`map.by.${m}`) }))}
        />
      </div>
      <Pending pending={season.data.pending} />
      <Legend paint={paint} lines={season.data.plantings} measure={measure} />
      {drawn.length > 0 && <Ground blocks={drawn} lines={lines} paint={paint} measure={measure} />}
      <AreasApart blocks={drawn.filter((b) => b.areasDiffer)} />
      {bare.length > 0 && (
        <section className="map-bare">
          <h2>{t('map.bare')}</h2>
          <div>
            {bare.map((b) => (
              <Schematic key={b.code} block={b} lines={lines} paint={paint} />
            ))}
          </div>
        </section>
      )}
      {map.data.blocks.length === 0 && <p className="sheet">{t('season.empty')}</p>}
    </main>
  );
}

interface Paint {
  key: (line: SeasonLine) => string;
  fill: (key: string) => string;
  ink: (key: string) => string;
}

const dark = ['var(--plum)', 'var(--slate)', 'var(--lichen-ink)', 'var(--rust)', 'var(--bark)', 'var(--wood)'];
const light = ['var(--straw-tint)', 'var(--lichen-tint)', 'var(--plum-tint)', 'var(--rust-tint)'];
const fixed: Record<string, string> = {
  reduce: 'var(--plum)',
  structureOnly: 'var(--lichen-tint)',
  noPrune: 'var(--slate)',
  none: 'var(--sheet)',
  target: 'var(--sheet)',
  count: 'var(--straw-tint)',
  decide: 'var(--straw)',
  prescribe: 'var(--lichen-ink)',
  late: 'var(--rust)',
  begun: 'var(--lichen)',
  ahead: 'var(--straw-tint)',
  nothing: 'var(--sheet)',
  onTarget: 'var(--lichen-ink)',
  tooFew: 'var(--rust)',
  tooMany: 'var(--straw-tint)',
  tooFewCounts: 'var(--plum-tint)',
  unchecked: 'var(--sheet)',
};

/** Where the pruning of the winter stands. */
function workOf({ work }: SeasonLine) {
  if (!work) return 'nothing';
  return (work.daysLate ?? 0) > 0 ? 'late' : work.doneShare > 0 ? 'begun' : 'ahead';
}

/** Colours of a measure. The name stands in every block as well, so that colour is never the only sign. */
function painter(measure: Measure, lines: SeasonLine[]): Paint {
  const varieties = [...new Set(lines.map((l) => l.variety))].sort();
  const palette = [...dark, ...light];
  const fill = (key: string) =>
    measure === 'variety'
      ? palette[Math.max(0, varieties.indexOf(key)) % palette.length]!
      : (fixed[key] ?? 'var(--sheet)');
  return {
    key: (line) =>
      ({
        variety: () => line.variety,
        stage: () => line.stage,
        work: () => workOf(line),
        check: () => line.check?.kind ?? 'unchecked',
        decision: () => line.decision ?? 'none',
      })[measure](),
    fill,
    ink: (key) => ([...dark, 'var(--lichen-ink)'].includes(fill(key)) ? 'var(--on-ink)' : 'var(--bark)'),
  };
}

function nameOf(key: string, measure: Measure, t: (key: string) => string) {
  return measure === 'variety'
    ? key
    : measure === 'stage'
      ? t(`stage.${key}`)
      : measure === 'work'
        ? t(`map.work.${key}`)
        : measure === 'check'
          ? t(`map.check.${key}`)
          : key === 'none'
            ? t('map.undecided')
            : t(`decision.${key}`);
}

function Legend({ paint, lines, measure }: { paint: Paint; lines: SeasonLine[]; measure: Measure }) {
  const { t, amount } = useReading();
  const areas = new Map<string, number>();
  for (const line of lines) areas.set(paint.key(line), (areas.get(paint.key(line)) ?? 0) + (line.areaHa ?? 0));
  return (
    <ul className="map-legend" data-test="legend">
      {[...areas].map(([key, ha]) => {
        const area = amount(ha, 'ha', 1);
        return (
          <li key={key}>
            <i style={{ background: paint.fill(key) }} /> {nameOf(key, measure, t)}{' '}
            <span className="dim">
              {area.number} {area.unit}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** The drawing to scale: drag to move, wheel or buttons to come closer, click or Enter to open a block. */
function Ground({
  blocks,
  lines,
  paint,
  measure,
}: {
  blocks: MapBlock[];
  lines: Map<string, SeasonLine>;
  paint: Paint;
  measure: Measure;
}) {
  const { t, amount } = useReading();
  const go = useNavigate();
  const { search } = useLocation();
  const svg = useRef<SVGSVGElement>(null);
  const whole = windowOf(blocks, WIDTH / HEIGHT);
  const [shown, setShown] = useState<MapWindow | null>(null);
  const drag = useRef<{ x: number; y: number; from: MapWindow; moved: boolean } | null>(null);
  const at = shown ?? whole;
  const metresPerPixel = () => at.width / (svg.current?.clientWidth ?? WIDTH);

  useEffect(() => {
    const drawing = svg.current!;
    // React's own wheel handler cannot keep the page from scrolling.
    const wheel = (e: WheelEvent) => {
      if (!e.ctrlKey && !e.metaKey) return;
      e.preventDefault();
      const box = drawing.getBoundingClientRect();
      setShown((now) => {
        const w = now ?? whole;
        return zoomed(w, e.deltaY > 0 ? 1.2 : 1 / 1.2, {
          x: w.x + ((e.clientX - box.left) / box.width) * w.width,
          y: w.y + (1 - (e.clientY - box.top) / box.height) * w.height,
        });
      });
    };
    drawing.addEventListener('wheel', wheel, { passive: false });
    return () => {
      drawing.removeEventListener('wheel', wheel);
    };
  });

  const move = (e: PointerEvent) => {
    if (!drag.current) return;
    const [dx, dy] = [e.clientX - drag.current.x, e.clientY - drag.current.y];
    if (Math.hypot(dx, dy) > 4) drag.current.moved = true;
    const scale = metresPerPixel();
    if (drag.current.moved)
      setShown({ ...drag.current.from, x: drag.current.from.x - dx * scale, y: drag.current.from.y + dy * scale });
  };
  const closer = (factor: number) => {
    setShown(zoomed(at, factor, { x: at.x + at.width / 2, y: at.y + at.height / 2 }));
  };
  const size = at.width / 85;
  const bar = scaleBar(at.width);
  const length = amount(bar, 'm', 0);
  return (
    <div className="map-frame sheet">
      <svg
        ref={svg}
        className="map"
        viewBox={`${at.x} ${-(at.y + at.height)} ${at.width} ${at.height}`}
        role="group"
        aria-label={t('place.map')}
        onPointerDown={(e) => {
          drag.current = { x: e.clientX, y: e.clientY, from: at, moved: false };
        }}
        onPointerMove={move}
        onPointerUp={() => {
          setTimeout(() => {
            drag.current = null;
          });
        }}
        onPointerLeave={() => {
          drag.current = null;
        }}
      >
        {blocks.map((block) => {
          const line = lines.get(block.plantings[0] ?? '');
          const key = line ? paint.key(line) : 'none';
          const place = middleOf(block.rings[0]!);
          const open = () => {
            if (line && !drag.current?.moved) void go(`/plantings/${line.id}/${line.stage}${search}`);
          };
          return (
            <g
              key={block.code}
              className="map-block"
              role="link"
              tabIndex={0}
              data-test={`block-${block.code}`}
              onClick={open}
              onKeyDown={(e) => {
                if (e.key === 'Enter') open();
              }}
            >
              <title>{`${block.code} ${line?.name ?? ''}`}</title>
              <path d={ringsPath(block.rings)} fill={paint.fill(key)} fillRule="evenodd" />
              <path d={linesPath(block.lines)} className="map-rows" stroke={paint.ink(key)} />
              <text
                x={place.x}
                y={-place.y}
                fontSize={size}
                fill={paint.ink(key)}
                stroke={paint.fill(key)}
                strokeWidth={size / 4}
                textAnchor="middle"
              >
                <tspan className="map-code">{block.code}</tspan>
                <tspan x={place.x} dy="1.15em" fontSize={size * 0.75}>
                  {nameOf(key, measure, t)}
                </tspan>
                {block.outlineHa !== null && (
                  <tspan x={place.x} dy="1.15em" fontSize={size * 0.75}>
                    {areaOf(block.outlineHa)}
                  </tspan>
                )}
              </text>
            </g>
          );
        })}
        <g transform={`translate(${at.x + at.width * 0.02} ${-(at.y + at.height * 0.03)})`} className="map-scale">
          <path d={`M0 ${-size * 0.5}V0H${bar}V${-size * 0.5}`} strokeWidth={size / 8} />
          <text x={bar / 2} y={-size * 0.4} fontSize={size * 0.9} textAnchor="middle">
            {length.number} {length.unit}
          </text>
        </g>
      </svg>
      <div className="map-tools">
        <Button
          onClick={() => {
            closer(1 / 1.5);
          }}
          aria-label={t('map.closer')}
        >
          +
        </Button>
        <Button
          onClick={() => {
            closer(1.5);
          }}
          aria-label={t('map.farther')}
        >
          −
        </Button>
        <Button
          onClick={() => {
            setShown(null);
          }}
        >
          {t('map.whole')}
        </Button>
      </div>
    </div>
  );

  function areaOf(ha: number) {
    const area = amount(ha, 'ha', 1);
    return `${area.number} ${area.unit}`;
  }
}

/** Blocks whose outline and plantings tell two areas: yields per area rest on the one stated. */
function AreasApart({ blocks }: { blocks: MapBlock[] }) {
  const { t, told } = useReading();
  if (blocks.length === 0) return null;
  return (
    <section className="map-apart" data-test="areas-apart">
      <h2>{t('map.apart')}</h2>
      <ul>
        {blocks.map((b) => (
          <li key={b.code}>
            <strong>{b.code}</strong>{' '}
            {t('map.apart-line', { drawn: told(b.outlineHa!, 'ha', 2), stated: told(b.statedHa, 'ha', 2) })}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A block without an outline: its rows side by side, as long as their trees are many. */
function Schematic({ block, lines, paint }: { block: MapBlock; lines: Map<string, SeasonLine>; paint: Paint }) {
  const { t, amount } = useReading();
  const { search } = useLocation();
  const line = lines.get(block.plantings[0] ?? '');
  if (!line) return null;
  const key = paint.key(line);
  const rows = block.rows.length;
  const longest = Math.max(1, ...block.rows.map((r) => r.firstTree + r.trees - 1));
  const area = amount(block.statedHa, 'ha', 1);
  return (
    <Link
      to={`/plantings/${line.id}/${line.stage}${search}`}
      className="map-schematic"
      data-test={`block-${block.code}`}
    >
      <svg
        viewBox={`0 0 ${Math.max(1, rows)} 60`}
        preserveAspectRatio="none"
        aria-hidden
        style={{ background: paint.fill(key) }}
      >
        {block.rows.map((r, i) => (
          <rect
            key={i}
            x={i + 0.3}
            width={0.4}
            y={60 - ((r.firstTree + r.trees - 1) / longest) * 56}
            height={(r.trees / longest) * 56}
            fill={paint.ink(key)}
            opacity={0.5}
          />
        ))}
      </svg>
      <strong>{block.code}</strong>{' '}
      <span className="small dim">
        {area.number} {area.unit}
        {rows > 0 && ` · ${t('map.rows', { count: rows })}`}
      </span>
    </Link>
  );
}
