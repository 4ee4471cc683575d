import { LineChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use as register, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { SystemChoice } from '../../api/client';
import { useShade } from '../../look/shade';
import { shownAs } from '../../units/system';
import { useReading } from '../../words/useReading';
import { lineOf, type Measure } from './choiceMeasures';

register([LineChart, GridComponent, SVGRenderer]);

const HEIGHT = 300;
/** Lines are told apart without colour, too. */
const DASHES = ['solid', 'dashed', 'dotted', [12, 3, 2, 3]] as const;
const COLORS = ['plum', 'lichen', 'straw', 'bark'] as const;

/** One measure of each system over its leaves, each line with its name at its end. */
export default function YearsChart({
  choice,
  measure,
  currency,
}: {
  choice: SystemChoice;
  measure: Measure;
  currency: string | null;
}) {
  const { t, local, number, unitName, system } = useReading();
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  useEffect(() => {
    const made = init(box.current, null, { renderer: 'svg', height: HEIGHT });
    chart.current = made;
    const observer = new ResizeObserver(() => {
      made.resize({ height: HEIGHT });
    });
    if (box.current) observer.observe(box.current);
    return () => {
      observer.disconnect();
      made.dispose();
    };
  }, []);
  // Colours are read where they stand, and change with the light.
  const shade = useShade();
  useEffect(() => {
    const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();
    const lines = choice.systems.map((s) => ({ name: local(s.name), ...lineOf(s.leaves, measure, currency) }));
    const { unit, factor } = shownAs(lines[0]?.unit ?? '', system);
    chart.current?.setOption(
      {
        animation: false,
        textStyle: { fontFamily: 'inherit', fontSize: 14, color: color('bark') },
        grid: { left: 64, right: 170, top: 34, bottom: 40 },
        xAxis: {
          type: 'value',
          min: 1,
          max: choice.systems[0]?.leaves.length ?? 15,
          interval: 1,
          name: t('choice.leaf'),
          nameLocation: 'middle',
          nameGap: 26,
          splitLine: { show: false },
          axisLine: { lineStyle: { color: color('line') } },
          axisLabel: { color: color('dim') },
        },
        yAxis: {
          type: 'value',
          name: unitName(unit).replace('XXX', t('choice.money')),
          nameTextStyle: { align: 'left', color: color('dim') },
          axisLabel: { color: color('dim'), formatter: (v: number) => number(v) },
          splitLine: { lineStyle: { color: color('line') } },
        },
        series: lines.map((line, i) => ({
          type: 'line',
          symbol: 'circle',
          symbolSize: 5,
          lineStyle: { width: 2.5, type: DASHES[i], color: color(COLORS[i]!) },
          itemStyle: { color: color(COLORS[i]!) },
          data: line.values.map((v, leaf) => [leaf + 1, v * factor]),
          endLabel: { show: true, formatter: line.name, color: color('bark'), width: 150, overflow: 'break' },
          labelLayout: { moveOverlap: 'shiftY' },
        })),
      },
      { notMerge: true },
    );
  }, [choice, measure, currency, t, local, number, unitName, system, shade]);
  return <div ref={box} className="years-chart" data-test="years-chart" />;
}
