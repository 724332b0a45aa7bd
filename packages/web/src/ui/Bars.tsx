import { BarChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use as register, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';

register([BarChart, GridComponent, CanvasRenderer]);

interface Props {
  counts: readonly number[];
  colours: readonly string[];
  /** Right end of the axis, in the unit. */
  high: number;
  unit: string;
  /** Of the bars, px; the axis stands below. */
  height: number;
}

const AXIS_HEIGHT = 18;

/** A token's colour as the page has it now, light or dark. */
const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
const resolve = (colour: string): string =>
  colour.replace(/^var\((--[\w-]+)\)$/, (_match, name: string) => token(name));

/** The bars of a histogram, edge to edge, so that what stands on them by share of the width stands right. */
export default function Bars({ counts, colours, high, unit, height }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType>(undefined);

  useEffect(() => {
    const element = box.current as HTMLDivElement;
    const made = init(element);
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(element);
    return () => {
      observer.disconnect();
      made.dispose();
      chart.current = undefined;
    };
  }, []);

  useEffect(() => {
    const bin = high / counts.length;
    chart.current?.setOption({
      animation: false,
      textStyle: { fontFamily: 'Archivo Variable' },
      // What stands on the bars is placed by share of the width: the axis' labels must not narrow them.
      grid: { left: 0, right: 0, top: 0, bottom: AXIS_HEIGHT, outerBoundsMode: 'none' },
      xAxis: [
        { type: 'category', show: false, data: counts.map((_, index) => index) },
        {
          type: 'value',
          position: 'bottom',
          min: 0,
          max: high,
          axisLine: { show: true, onZero: false, lineStyle: { color: token('--line-strong') } },
          splitLine: { show: false },
          axisTick: { show: false },
          axisLabel: {
            color: token('--ink-3'),
            fontSize: 10.5,
            margin: 4,
            hideOverlap: true,
            alignMinLabel: 'left',
            alignMaxLabel: 'right',
            formatter: (value: number) => `${Number(value.toFixed(1))} ${unit}`,
          },
        },
      ],
      yAxis: { type: 'value', show: false, max: Math.max(1, ...counts) },
      series: [
        {
          type: 'bar',
          xAxisIndex: 0,
          barCategoryGap: '8%',
          data: counts.map((value, index) => ({ value, itemStyle: { color: resolve(colours[index] ?? '') } })),
          silent: true,
        },
        { type: 'bar', xAxisIndex: 1, data: [[bin, 0]], silent: true },
      ],
    });
  }, [counts, colours, high, unit]);

  return <div ref={box} aria-hidden style={{ height: height + AXIS_HEIGHT }} />;
}
