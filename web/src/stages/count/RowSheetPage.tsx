import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, answered, type TreeSheetView } from '../../api/client';
import { cellAt, fitted, scaleOf, stepOf, zoomed, type SheetView } from '../../drawings/rowSheet';
import { useWidth } from '../../drawings/useWidth';
import { Choice } from '../../entry/Choice';
import { rowSheetKeys } from '../../keys/ofPages';
import { useTell } from '../../keys/told';
import { Trouble } from '../../Trouble';
import '../../words/count';
import { useReading } from '../../words/useReading';
import { useChosenSeason } from '../season/useSeason';
import './rowSheet.css';
import { titleOf } from '../../planting/titleOf';

const measures = ['buds', 'surplus', 'class', 'imbalance', 'status', 'rework'] as const;
type Measure = (typeof measures)[number];

/**
 * Steps of each scale, light to dark, so that they stay apart in grey too; the surplus runs both ways from the target.
 */
const ramps: Record<Measure, string[]> = {
  buds: ['#f2e6ee', '#dcbccf', '#bd8aaa', '#965a82', '#6b2c50', '#451832'],
  surplus: ['#3e6177', '#7f9bac', '#c3d0d8', '#f2e3bd', '#d9a94b', '#a9472a'],
  class: ['#e4e7d2', '#a9b573', '#5c6a2b'],
  imbalance: ['#f5eedd', '#ecd9a8', '#ddb65e', '#c6893a', '#a9472a', '#74301c'],
  status: ['#cfc4b2', '#6b2c50', '#fffcf5', '#d9a94b', '#3e6177', '#a9472a'],
  // In the order of the standings; the one to go apart.
  rework: ['#efe0e8', '#f2dfb4', '#7f9bac', '#dcdfc6', '#a9472a'],
};
const letters: Partial<Record<Measure, string[]>> = {
  class: ['S', 'M', 'L'],
  status: ['', '●', '×', 'r', 'p', 'g'],
  rework: ['o', 'i', 'w', '✓', '×'],
};
const missing = 2;

/** Every tree of a planting, a cell a tree: row by row, by any measure, near and far. */
export function RowSheetPage() {
  const { id } = useParams();
  const season = useChosenSeason();
  const sheet = useQuery({
    queryKey: ['trees', id, season],
    queryFn: () =>
      answered(
        api.GET('/api/v1/plantings/{id}/trees', {
          params: { path: { id: id! }, query: season === null ? {} : { season } },
        }),
      ),
  });
  const { t } = useReading();
  useEffect(() => {
    document.title = sheet.data ? `${sheet.data.code} · ${t('sheet-page.title')} · Rama` : 'Rama';
  }, [sheet.data, t]);
  if (sheet.error) return <Trouble error={sheet.error} retry={() => void sheet.refetch()} />;
  if (!sheet.data) return <p className="waiting">{t('loading')}</p>;
  return <RowSheet id={id!} sheet={sheet.data} />;
}

interface Cell {
  row: number;
  tree: number;
}

function RowSheet({ id, sheet }: { id: string; sheet: TreeSheetView }) {
  const { t, number, say } = useReading();
  useTell(rowSheetKeys);
  const [measure, setMeasure] = useState<Measure>(
    () =>
      measures.find((m) => m === 'buds' && sheet.rows.some((r) => r.buds.some((b) => b !== null))) ??
      (sheet.classes.length > 0 ? 'class' : 'status'),
  );
  const [box, width] = useWidth<HTMLDivElement>(900);
  const height = Math.max(260, Math.min(560, window.innerHeight - 250));
  const rows = sheet.rows;
  const first = Math.min(...rows.map((r) => r.firstTree));
  const trees = Math.max(0, ...rows.map((r) => r.firstTree - first + r.status.length));
  const whole = useMemo(() => fitted(width - 44, height - 20, trees, rows.length), [width, height, trees, rows.length]);
  const [moved, setMoved] = useState<SheetView | null>(null);
  const view = moved ?? whole;
  const [brushing, setBrushing] = useState(false);
  const [brush, setBrush] = useState<{ from: Cell; to: Cell } | null>(null);
  const [hover, setHover] = useState<Cell | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);

  const scale = useMemo((): [number, number] => {
    if (measure === 'class') return [0, 3];
    if (measure === 'status') return [0, 6];
    if (measure === 'rework') return [0, 5];
    const [low, high] = scaleOf(rows.flatMap((r) => (r[measure] as (number | null)[]).filter((v) => v !== null)));
    if (measure !== 'surplus') return [low, high];
    const most = Math.max(Math.abs(low), Math.abs(high), 1);
    return [-most, most];
  }, [rows, measure]);

  const draw = useCallback(
    (at: SheetView) => {
      const surface = canvas.current;
      if (!surface || width === 0) return;
      const dots = window.devicePixelRatio || 1;
      if (surface.width !== Math.round(width * dots))
        [surface.width, surface.height] = [Math.round(width * dots), Math.round(height * dots)];
      const pen = surface.getContext('2d')!;
      pen.setTransform(dots, 0, 0, dots, 0, 0);
      pen.clearRect(0, 0, width, height);
      pen.save();
      pen.translate(40, 16);
      pen.beginPath();
      pen.rect(0, 0, width - 40, height - 16);
      pen.clip();
      const { cell, x, y } = at;
      const gap = cell > 4 ? 1 : 0;
      const ramp = ramps[measure];
      const label = cell >= 16;
      pen.font = `${Math.min(13, cell * 0.5)}px "Source Sans 3", sans-serif`;
      pen.textAlign = 'center';
      pen.textBaseline = 'middle';
      const cells: number[][] = ramp.map(() => []);
      const blanks: number[] = [];
      const texts: { text: string; x: number; y: number; dark: boolean }[] = [];
      for (let r = Math.max(0, Math.floor(-y / cell)); r < rows.length && y + r * cell < height; r++) {
        const row = rows[r]!;
        const values = row[measure] as (number | null)[];
        const offset = row.firstTree - first;
        const from = Math.max(0, Math.floor(-x / cell) - offset);
        const to = Math.min(values.length, Math.ceil((width - x) / cell) - offset);
        for (let i = from; i < to; i++) {
          const [px, py] = [x + (i + offset) * cell, y + r * cell];
          const value = values[i]!;
          const gone = row.status[i] === missing;
          if (value === null || gone) {
            blanks.push(px, py);
            if (gone && cell > 8) texts.push({ text: '×', x: px + cell / 2, y: py + cell / 2, dark: false });
            continue;
          }
          const step = stepOf(value, scale[0], scale[1], ramp.length);
          cells[step]!.push(px, py);
          if (label) {
            const dark =
              measure === 'surplus'
                ? step === 0 || step === ramp.length - 1
                : measure === 'status'
                  ? [1, 4, 5].includes(step)
                  : measure === 'rework'
                    ? [2, 4].includes(step)
                    : step >= ramp.length / 2;
            texts.push({
              text: letters[measure]?.[value] ?? (measure === 'imbalance' ? value.toFixed(1) : String(value)),
              x: px + cell / 2,
              y: py + cell / 2,
              dark,
            });
          }
        }
      }
      // Colour by colour: changing it for each of ten thousand cells would cost more than drawing them.
      cells.forEach((places, step) => {
        pen.fillStyle = ramp[step]!;
        for (let i = 0; i < places.length; i += 2) pen.fillRect(places[i]!, places[i + 1]!, cell - gap, cell - gap);
      });
      if (blanks.length > 0 && cell > 3) {
        pen.strokeStyle = '#8a745c';
        pen.lineWidth = 0.5;
        pen.beginPath();
        for (let i = 0; i < blanks.length; i += 2)
          pen.rect(blanks[i]! + 1, blanks[i + 1]! + 1, cell - gap - 2, cell - gap - 2);
        pen.stroke();
      }
      for (const { text, x: tx, y: ty, dark } of texts) {
        pen.fillStyle = dark ? '#fff' : '#2c2520';
        pen.fillText(text, tx, ty);
      }
      if (brush) {
        const [left, right] = [Math.min(brush.from.tree, brush.to.tree), Math.max(brush.from.tree, brush.to.tree) + 1];
        const [top, bottom] = [Math.min(brush.from.row, brush.to.row), Math.max(brush.from.row, brush.to.row) + 1];
        pen.strokeStyle = '#2c2520';
        pen.lineWidth = 2;
        pen.strokeRect(x + left * cell, y + top * cell, (right - left) * cell, (bottom - top) * cell);
      }
      pen.restore();
      pen.fillStyle = '#6a5f54';
      pen.font = '12px "Source Sans 3", sans-serif';
      pen.textAlign = 'right';
      pen.textBaseline = 'middle';
      const everyRow = Math.max(1, Math.ceil(14 / cell));
      for (let r = 0; r < rows.length; r += everyRow) {
        const py = 16 + y + (r + 0.5) * cell;
        if (py > 20 && py < height) pen.fillText(String(rows[r]!.row), 34, py);
      }
      pen.textAlign = 'center';
      const everyTree = [1, 2, 5, 10, 20, 50, 100, 200].find((n) => n * cell > 34) ?? 500;
      for (let tree = Math.ceil(first / everyTree) * everyTree; tree < first + trees; tree += everyTree) {
        const px = 40 + x + (tree - first + 0.5) * cell;
        if (px > 44 && px < width) pen.fillText(String(tree), px, 8);
      }
    },
    [rows, measure, scale, brush, width, height, first, trees],
  );

  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      draw(view);
    });
    return () => {
      cancelAnimationFrame(frame);
    };
  }, [draw, view]);

  // The wheel zooms the sheet and not the page; React's own handler could not keep the page still.
  useEffect(() => {
    const surface = canvas.current;
    if (!surface) return;
    const turn = (e: WheelEvent) => {
      e.preventDefault();
      const edge = surface.getBoundingClientRect();
      setMoved((now) =>
        zoomed(now ?? whole, Math.exp(-e.deltaY * 0.0015), e.clientX - edge.left - 40, e.clientY - edge.top - 16),
      );
    };
    surface.addEventListener('wheel', turn, { passive: false });
    return () => {
      surface.removeEventListener('wheel', turn);
    };
  }, [whole]);

  const cellOf = (e: React.PointerEvent): Cell => {
    const edge = e.currentTarget.getBoundingClientRect();
    return cellAt(view, e.clientX - edge.left - 40, e.clientY - edge.top - 16);
  };
  const drag = useRef<{ x: number; y: number; view: SheetView } | null>(null);
  const start = (e: React.PointerEvent) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    if (brushing || e.shiftKey) setBrush({ from: cellOf(e), to: cellOf(e) });
    else drag.current = { x: e.clientX, y: e.clientY, view };
  };
  const move = (e: React.PointerEvent) => {
    if (drag.current)
      setMoved({
        ...drag.current.view,
        x: drag.current.view.x + e.clientX - drag.current.x,
        y: drag.current.view.y + e.clientY - drag.current.y,
      });
    else if (e.buttons === 1 && brush) setBrush({ ...brush, to: cellOf(e) });
    else setHover(cellOf(e));
  };
  const press = (e: React.KeyboardEvent) => {
    const steps: Record<string, (now: SheetView) => SheetView> = {
      ArrowLeft: (v) => ({ ...v, x: v.x + 60 }),
      ArrowRight: (v) => ({ ...v, x: v.x - 60 }),
      ArrowUp: (v) => ({ ...v, y: v.y + 60 }),
      ArrowDown: (v) => ({ ...v, y: v.y - 60 }),
      '+': (v) => zoomed(v, 1.3, width / 2, height / 2),
      '-': (v) => zoomed(v, 1 / 1.3, width / 2, height / 2),
    };
    const step = steps[e.key];
    if (!step) return;
    e.preventDefault();
    setMoved((now) => step(now ?? whole));
  };

  const name = (value: number | null, of: Measure = measure) =>
    value === null
      ? '–'
      : of === 'class'
        ? t(`class.${sheet.classes[value]}`, { defaultValue: sheet.classes[value] ?? '' })
        : of === 'status'
          ? t(`status.${sheet.statuses[value]}`)
          : of === 'rework'
            ? t(`rework.standing.${sheet.standings[value] === 'winter' ? 'winters' : sheet.standings[value]}`)
            : number(value, of === 'imbalance' ? 2 : 0);
  const under = hover && rows[hover.row];
  const place = under ? hover.tree + first - under.firstTree : -1;
  const chosen = useMemo(() => {
    if (!brush) return null;
    const values: number[] = [];
    let count = 0;
    for (
      let r = Math.max(0, Math.min(brush.from.row, brush.to.row));
      r <= Math.max(brush.from.row, brush.to.row) && r < rows.length;
      r++
    ) {
      const row = rows[r]!;
      for (
        let tree = Math.min(brush.from.tree, brush.to.tree);
        tree <= Math.max(brush.from.tree, brush.to.tree);
        tree++
      ) {
        const i = tree + first - row.firstTree;
        if (i < 0 || i >= row.status.length || row.status[i] === missing) continue;
        count++;
        const value = (row[measure] as (number | null)[])[i];
        if (value !== null && value !== undefined) values.push(value);
      }
    }
    return { count, mean: values.length === 0 ? null : values.reduce((a, b) => a + b, 0) / values.length };
  }, [brush, rows, measure, first]);

  const all = rows.reduce((sum, r) => sum + r.status.filter((s) => s !== missing).length, 0);
  return (
    <main className="row-sheet">
      <div className="row-sheet-head">
        <div>
          <h1>{titleOf(sheet)}</h1>
          <p className="dim">
            {t('sheet-page.trees', { trees: number(all, 0), rows: rows.length })}
            {sheet.budsToLeave !== null && ` · ${t('sheet-page.wanted', { buds: number(sheet.budsToLeave, 0) })}`}
          </p>
        </div>
        <span className="row-sheet-tools">
          <Choice
            label={t('sheet-page.measure')}
            value={measure}
            onChange={(m) => {
              setMeasure(m as Measure);
            }}
            options={measures
              .filter((m) => m !== 'rework' || sheet.rows.some((r) => r.rework.length > 0))
              .map((m) => ({ value: m, label: t(`measure.${m}`) }))}
          />
          <button
            type="button"
            className={brushing ? 'row-tool row-tool-on' : 'row-tool'}
            aria-pressed={brushing}
            onClick={() => {
              setBrushing(!brushing);
              setBrush(null);
            }}
            data-test="brush"
          >
            {t('sheet-page.brush')}
          </button>
          <button
            type="button"
            className="row-tool"
            onClick={() => {
              setMoved(null);
            }}
            data-test="whole"
          >
            {t('sheet-page.whole')}
          </button>
          <Link to={`/plantings/${id}/count`}>{t('sheet-page.to-count')}</Link>
        </span>
      </div>
      {rows.length === 0 ? (
        <p className="sheet">{t('sheet-page.empty')}</p>
      ) : (
        <>
          <div ref={box} className="row-sheet-box always-day">
            <canvas
              ref={canvas}
              style={{ width, height }}
              tabIndex={0}
              role="img"
              aria-label={t('sheet-page.label', {
                trees: number(all, 0),
                rows: rows.length,
                measure: t(`measure.${measure}`),
              })}
              onPointerDown={start}
              onPointerMove={move}
              onPointerUp={() => {
                drag.current = null;
              }}
              onPointerLeave={() => {
                setHover(null);
              }}
              onKeyDown={press}
              data-test="sheet"
            />
          </div>
          <div className="row-sheet-foot">
            <ul className="row-legend">
              {ramps[measure].map((colour, i) => {
                const steps = ramps[measure].length;
                const text =
                  measure === 'class' || measure === 'rework'
                    ? name(i)
                    : measure === 'status'
                      ? name(i)
                      : `${number(scale[0] + ((scale[1] - scale[0]) * i) / steps, measure === 'imbalance' ? 2 : 0)}${i === steps - 1 ? '+' : ''}`;
                if (measure === 'class' && i >= sheet.classes.length) return null;
                return (
                  <li key={i}>
                    <span style={{ background: colour }}>{letters[measure]?.[i]}</span>
                    {text}
                  </li>
                );
              })}
              <li>
                <span className="row-legend-none">{measure === 'status' ? '' : '×'}</span>
                {t(measure === 'rework' ? 'measure.rework-none' : 'sheet-page.unknown')}
              </li>
            </ul>
            <p data-test="under" aria-live="polite">
              {chosen
                ? t('sheet-page.chosen', {
                    count: chosen.count,
                    mean: chosen.mean === null ? '–' : number(chosen.mean, measure === 'imbalance' ? 2 : 0),
                    measure: t(`measure.${measure}`),
                  })
                : under && place >= 0 && place < under.status.length
                  ? `${t('outlier.place', { row: under.row, tree: under.firstTree + place })}: ${name(under.status[place]!, 'status')} · ${t('measure.buds')} ${name(under.buds[place] ?? null, 'buds')} · ${t('measure.surplus')} ${name(under.surplus[place] ?? null, 'surplus')} · ${t('measure.class')} ${name(under.class[place] ?? null, 'class')} · ${t('measure.imbalance')} ${name(under.imbalance[place] ?? null, 'imbalance')}`
                  : t('sheet-page.hint')}
            </p>
            {sheet.calibration && <p className="small dim">{say(sheet.calibration)}</p>}
          </div>
        </>
      )}
    </main>
  );
}
