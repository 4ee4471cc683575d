import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent, MarkPointComponent } from 'echarts/components';
import { init, use as register, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { MarginCurve } from '../../api/client';
import { marginKeys } from '../../keys/ofPages';
import { useTell } from '../../keys/told';
import { useShade } from '../../look/shade';
import { shownAs } from '../../units/system';
import { useReading } from '../../words/useReading';

register([LineChart, GridComponent, MarkAreaComponent, MarkLineComponent, MarkPointComponent, SVGRenderer]);

const HEIGHT = 300;

/**
 * Margin over fruit per tree: two steady years and this year alone, the flat region, the best and the chosen crop. The
 * chosen one is dragged.
 */
export default function MarginChart({
  curve,
  chosen,
  onChoose,
}: {
  curve: MarginCurve;
  chosen: number;
  onChoose: ((fruit: number) => void) | null;
}) {
  const { t, number, unitName, system } = useReading();
  useTell(marginKeys);
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const most = curve.points.at(-1)?.fruitPerTree ?? 1;
  const choose = useRef(onChoose);
  const edge = useRef(most);
  useEffect(() => {
    choose.current = onChoose;
    edge.current = most;
  }, [onChoose, most]);

  useEffect(() => {
    const made = init(box.current, null, { renderer: 'svg', height: HEIGHT });
    chart.current = made;
    let dragging = false;
    const pick = (x: number, y: number) => {
      const [fruit] = made.convertFromPixel({ gridIndex: 0 }, [x, y]) as [number, number];
      choose.current?.(Math.round(Math.min(Math.max(fruit, 1), edge.current)));
    };
    const surface = made.getZr();
    surface.on('mousedown', (e) => {
      if (!choose.current || !made.containPixel('grid', [e.offsetX, e.offsetY])) return;
      dragging = true;
      pick(e.offsetX, e.offsetY);
    });
    surface.on('mousemove', (e) => {
      if (dragging) pick(e.offsetX, e.offsetY);
    });
    const drop = () => {
      dragging = false;
    };
    window.addEventListener('pointerup', drop);
    const observer = new ResizeObserver(() => {
      made.resize({ height: HEIGHT });
    });
    if (box.current) observer.observe(box.current);
    return () => {
      window.removeEventListener('pointerup', drop);
      observer.disconnect();
      made.dispose();
    };
  }, []);

  // Colours are read where they stand, and change with the light.
  const shade = useShade();
  useEffect(() => {
    const { unit, factor } = shownAs(`${curve.currency}/ha`, system);
    const steady = curve.points.map((p) => [p.fruitPerTree, p.steadyPerHa * factor]);
    const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();
    type Point = MarginCurve['points'][number];
    // A stretch that is known and the guess beyond it share their last point, so that the curve has no gap.
    const stretch = (inside: boolean, firm: (p: Point) => boolean, of: (p: Point) => number) => {
      const solid = curve.points.filter(firm);
      return curve.points.map((p) => [
        p.fruitPerTree,
        firm(p) === inside || p === solid[0] || p === solid.at(-1) ? of(p) * factor : null,
      ]);
    };
    const lasting = (p: Point) => p.known && p.lasts;
    const lowest = Math.min(0, ...steady.map(([, y]) => y!));
    const text = { color: color('bark'), fontFamily: 'Source Sans 3, sans-serif', fontSize: 13 };
    const line = (data: (number | null)[][], stroke: string, type: 'solid' | 'dashed' | 'dotted', width: number) => ({
      type: 'line' as const,
      data,
      showSymbol: false,
      silent: true,
      lineStyle: { color: stroke, type, width },
      z: 3,
    });
    chart.current?.setOption(
      {
        animation: false,
        textStyle: text,
        grid: { left: 66, right: 18, top: 30, bottom: 44 },
        xAxis: {
          type: 'value',
          min: 0,
          max: Math.ceil(most),
          name: unitName('fruit/tree'),
          nameLocation: 'middle',
          nameGap: 28,
          nameTextStyle: text,
          axisLabel: { ...text, showMaxLabel: false },
          splitLine: { show: false },
          axisLine: { lineStyle: { color: color('wood') } },
        },
        yAxis: {
          type: 'value',
          ...(lowest >= 0 ? { min: 0 } : {}),
          name: unit,
          nameTextStyle: { ...text, align: 'left' },
          axisLabel: { ...text, formatter: (value: number) => number(value, 0) },
          splitLine: { lineStyle: { color: color('line') } },
        },
        series: [
          line(
            stretch(
              true,
              (p) => p.known,
              (p) => p.marginPerHa,
            ),
            color('slate'),
            'dashed',
            2,
          ),
          line(
            stretch(
              false,
              (p) => p.known,
              (p) => p.marginPerHa,
            ),
            color('slate'),
            'dotted',
            1,
          ),
          line(
            stretch(false, lasting, (p) => p.steadyPerHa),
            color('plum'),
            'dotted',
            2,
          ),
          {
            ...line(
              stretch(true, lasting, (p) => p.steadyPerHa),
              color('plum'),
              'solid',
              3,
            ),
            markArea: {
              silent: true,
              itemStyle: { color: color('lichen-tint'), opacity: 0.75 },
              data: [[{ xAxis: curve.best.flatFrom }, { xAxis: curve.best.flatTo }]],
            },
            markLine: {
              silent: true,
              symbol: 'none',
              label: {
                show: true,
                formatter: t('margin.best', { fruit: number(curve.best.fruitPerTree, 0) }),
                color: color('lichen-ink'),
                fontWeight: 600,
                position: 'end',
              },
              lineStyle: { color: color('lichen'), type: 'solid', width: 2 },
              data: [{ xAxis: curve.best.fruitPerTree }],
            },
            markPoint: {
              silent: true,
              symbol: 'circle',
              symbolSize: 17,
              itemStyle: { color: color('plum'), borderColor: color('sheet'), borderWidth: 3 },
              label: {
                show: true,
                formatter: number(chosen, 0),
                position: 'bottom',
                distance: 9,
                color: color('plum'),
                fontWeight: 700,
                fontSize: 15,
              },
              data: [{ coord: [chosen, heightAt(steady as [number, number][], chosen)] }],
            },
            z: 5,
          },
        ],
      },
      { notMerge: false },
    );
  }, [curve, chosen, most, number, system, t, unitName, shade]);

  return (
    <div
      ref={box}
      className="margin-chart"
      data-test="margin-chart"
      role="slider"
      tabIndex={onChoose ? 0 : -1}
      aria-label={t('margin.slider')}
      aria-valuemin={1}
      aria-valuemax={Math.round(most)}
      aria-valuenow={Math.round(chosen)}
      aria-valuetext={`${number(chosen, 0)} ${unitName('fruit/tree')}`}
      onKeyDown={(e) => {
        const step = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -10, PageUp: 10 }[e.key];
        if (step === undefined || !onChoose) return;
        e.preventDefault();
        onChoose(Math.max(1, Math.round(chosen) + step));
      }}
    />
  );
}

/** Where a curve stands at x, straight between its points: only to place the mark that follows the pointer. */
function heightAt(points: [number, number][], x: number): number {
  const after = points.findIndex(([at]) => at >= x);
  if (after <= 0) return points[after < 0 ? points.length - 1 : 0]![1];
  const [[x0, y0], [x1, y1]] = [points[after - 1]!, points[after]!];
  return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
}
