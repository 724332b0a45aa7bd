import { histogram } from '@stadion/core/basics/stats';
import { lazy, Suspense, useRef } from 'react';
import { formatNumber } from './format.ts';
import { useDragged } from './useDragged.ts';

/** A number that cuts a distribution. */
export interface Threshold {
  label: string;
  /** How it is called by those who do not see it. */
  name: string;
  value: number;
  /** Moves it; absent where it cannot be moved. */
  onMove?: (value: number) => void;
}

interface Props {
  values: readonly number[];
  /** Right end of the axis. */
  high: number;
  unit: string;
  label: string;
  thresholds: readonly Threshold[];
  /** Colour of a bar by the middle of its bin. */
  colourAt: (value: number) => string;
}

/** Where the chart's code does not come (the server is down), plain bars stand in for it. */
const Bars = lazy(() => import('./Bars.tsx').catch(() => ({ default: PlainBars })));

const HEIGHT = 84;
const BINS = 24;

/** Round places on the axis, four to eight of them, none so near its end that it would be cut off. */
function ticksUpTo(high: number): number[] {
  const every = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600].find((step) => high / step <= 8) ?? high;
  const ticks: number[] = [];
  for (let tick = 0; tick <= high * 0.97; tick += every) ticks.push(tick);
  return ticks;
}

/** Room that the name of a threshold takes, as a share of the axis. */
const NAME_SHARE = 0.24;

/** Does the next higher threshold stand so near that their names would lie over one another? */
const isCrowded = (share: number, thresholds: readonly Threshold[], high: number): boolean =>
  thresholds.some(({ value }) => {
    const other = Math.min(1, value / high);
    return other > share && other - share < NAME_SHARE;
  });

/** Does the next lower threshold stand so near that a name on the left would lie over its handle? */
const isAboveAnother = (share: number, thresholds: readonly Threshold[], high: number): boolean =>
  thresholds.some(({ value }) => value / high < share && share - value / high < NAME_SHARE);

/** A distribution with its thresholds as handles on it. */
export function Distribution({ values, high, unit, label, thresholds, colourAt }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [moving, drag] = useDragged<{ index: number; value: number }>();
  const { counts } = histogram(values, 0, high, BINS);
  const width = high / BINS;
  const colours = counts.map((_, index) => colourAt((index + 0.5) * width));
  const place = (clientX: number): number => {
    const bounds = box.current?.getBoundingClientRect();
    if (!bounds) return 0;
    return Math.round(Math.min(1, Math.max(0, (clientX - bounds.left) / bounds.width)) * high);
  };
  return (
    <div className="relative select-none" ref={box}>
      <div
        role="img"
        aria-label={label}
        style={{ height: HEIGHT + 16, paddingTop: 16 }}
        className="border-b border-line-strong"
      >
        <Suspense fallback={<PlainBars counts={counts} colours={colours} height={HEIGHT} />}>
          <Bars counts={counts} colours={colours} height={HEIGHT} />
        </Suspense>
      </div>
      <div className="relative h-4 text-[10.5px] text-ink-3" aria-hidden>
        {ticksUpTo(high).map((tick) => (
          <span
            key={tick}
            className={`absolute ${tick === 0 ? '' : '-translate-x-1/2'}`}
            style={{ left: `${(tick / high) * 100}%` }}
          >
            {tick} {unit}
          </span>
        ))}
      </div>
      {thresholds.map((threshold, index) => {
        const value = moving?.index === index ? moving.value : threshold.value;
        const share = Math.min(1, value / high);
        const beyond = value > high;
        return (
          <div
            key={threshold.name}
            className="absolute top-0 w-0"
            style={{ left: `${share * 100}%`, height: HEIGHT + 16 }}
          >
            <div
              className={`absolute h-full border-l-2 ${beyond ? 'border-dashed' : ''} border-mark`}
              style={{ left: -1 }}
            />
            <span
              role="slider"
              tabIndex={threshold.onMove ? 0 : -1}
              aria-label={threshold.name}
              aria-valuenow={value}
              aria-valuemin={0}
              aria-valuemax={Math.max(high, Math.ceil(value))}
              aria-valuetext={`${formatNumber(value, 1)} ${unit}`}
              aria-disabled={!threshold.onMove}
              className="absolute top-0 h-3.5 w-2.5 cursor-ew-resize touch-none rounded-[2px] border border-mark-ink bg-mark"
              style={{ left: -5 }}
              onKeyDown={(event) => {
                const by =
                  event.key === 'ArrowRight' || event.key === 'ArrowUp'
                    ? 1
                    : event.key === 'ArrowLeft' || event.key === 'ArrowDown'
                      ? -1
                      : 0;
                if (by === 0) return;
                event.preventDefault();
                threshold.onMove?.(Math.max(0, value + by));
              }}
              onPointerDown={(event) => {
                if (!threshold.onMove) return;
                event.currentTarget.setPointerCapture(event.pointerId);
                drag.set({ index, value });
              }}
              onPointerMove={(event) => {
                if (drag.now()?.index === index) drag.set({ index, value: place(event.clientX) });
              }}
              onPointerUp={() => {
                const to = drag.now();
                if (to?.index === index && to.value !== threshold.value) threshold.onMove?.(to.value);
                drag.set(null);
              }}
            />
            <span
              className={`absolute text-[11px] font-semibold whitespace-nowrap text-mark-ink ${isCrowded(share, thresholds, high) ? 'top-2.5' : '-top-0.5'}`}
              style={share > (isAboveAnother(share, thresholds, high) ? 0.82 : 0.75) ? { right: 9 } : { left: 9 }}
            >
              {threshold.label} {formatNumber(value, 1)} {unit}
              {beyond ? ' →' : ''}
            </span>
          </div>
        );
      })}
    </div>
  );
}

/** The same bars without an axis, until the chart's code is there. */
function PlainBars({
  counts,
  colours,
  height,
}: {
  counts: readonly number[];
  colours: readonly string[];
  height: number;
}) {
  const most = Math.max(1, ...counts);
  return (
    <div className="flex items-end gap-px" style={{ height }} aria-hidden>
      {counts.map((count, index) => (
        <div key={index} className="grow" style={{ height: `${(count / most) * 100}%`, background: colours[index] }} />
      ))}
    </div>
  );
}
