import { BarChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use as register, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';

register([BarChart, GridComponent, CanvasRenderer]);

interface Props {
  counts: readonly number[];
  colours: readonly string[];
  /** Height of the bars, px. */
  height: number;
}

/** A token's colour as the page has it now, light or dark. */
const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
const resolve = (colour: string): string =>
  colour.replace(/^var\((--[\w-]+)\)$/, (_match, name: string) => token(name));

/** The bars of a histogram, edge to edge, so that what stands on them by share of the width stands right. The axis is drawn around them. */
export default function Bars({ counts, colours, height }: Props) {
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
    chart.current?.setOption({
      animation: false,
      // Marks on the bars are placed by share of the width: nothing may narrow them.
      grid: { left: 0, right: 0, top: 0, bottom: 0, outerBoundsMode: 'none' },
      xAxis: { type: 'category', show: false, data: counts.map((_, index) => index) },
      yAxis: { type: 'value', show: false, max: Math.max(1, ...counts) },
      series: [
        {
          type: 'bar',
          barCategoryGap: '8%',
          data: counts.map((value, index) => ({ value, itemStyle: { color: resolve(colours[index] ?? '') } })),
          silent: true,
        },
      ],
    });
  }, [counts, colours]);

  return <div ref={box} aria-hidden style={{ height }} />;
}
