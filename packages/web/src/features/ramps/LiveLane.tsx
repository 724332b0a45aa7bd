import type { Parameter, Ramp } from '@stadion/core/document/model';
import { rampValue, seriesOf, type RampContext } from '@stadion/core/document/ramps';
import { useMemo, useState } from 'react';
import { READING_WORDS } from '@stadion/core/authoring/edits';
import { useProject } from '../../store/hooks.ts';
import { useTierBorder } from '../../columns/useTierBorder.ts';
import { extentOf, ticksOf } from './liveAxis.ts';
import { laneScale, type LaneScale } from './scale.ts';
import { ShapeHandles, type LaneAxis } from './ShapeHandles.tsx';
import { sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  /** Position of the level at which it is looked at. */
  position: number;
  left: number;
  width: number;
  open: boolean;
  height: number;
  below: number;
}

const TOP = 14;
const BELOW_CLOSED = 32;
/** Readings are drawn this close, px. */
const SAMPLE_PX = 2;
/** A number and its reading need so much room, px. */
const TICK_PX = 64;

/** The picture of a ramp along a reading: its lane shows that reading, not the levels above. */
export function LiveLane({ parameter, position, left, width, open, height, below }: Props) {
  const project = useProject();
  const [dragged, setDragged] = useState<Ramp | null>(null);
  const shown = dragged ? { ...parameter, ramp: dragged } : parameter;
  const context = useMemo(() => seriesOf(project).contextOf(parameter, position), [project, parameter, position]);
  const extent = useMemo(() => extentOf(parameter.ramp, context.bands), [parameter.ramp, context.bands]);
  const px = width / extent;
  const bottom = height - (open ? below + 10 : BELOW_CLOSED);
  const samples = useMemo(() => {
    const places = Array.from({ length: Math.floor(width / SAMPLE_PX) + 1 }, (_, index) => {
      const reading = (index * SAMPLE_PX * extent) / width;
      return parameter.ramp.axis === 'timeElapsed' || parameter.ramp.axis === 'distance'
        ? reading
        : Math.floor(reading);
    });
    return places.map((place) => ({
      place,
      value: rampValue({ ...parameter, ramp: dragged ?? parameter.ramp }, place, context),
    }));
  }, [width, extent, parameter, dragged, context]);
  const scale = laneScale(
    samples.map(({ value }) => value),
    shown.ramp,
    TOP,
    bottom,
  );
  const path = samples
    .map(({ value }, index) => `${index === 0 ? 'M0 ' : `H${index * SAMPLE_PX}V`}${scale.y(value)}`)
    .join('');
  const axis: LaneAxis = {
    word: READING_WORDS[parameter.ramp.axis ?? 'score'],
    x: (place) => place * px,
    placeAt: (clientX) => Math.max(0, Math.round((clientX - left) / px)),
    last: extent,
    step: Math.max(1, Math.round(extent / 100)),
  };
  const ticks = ticksOf(extent, width / TICK_PX);
  return (
    <svg width="100%" height={height} className="absolute inset-0">
      <g transform={`translate(${left})`}>
        {open
          ? context.bands.map((band, index) => (
              <Band key={band.id} parameter={parameter} band={band} index={index} px={px} bottom={bottom} axis={axis} />
            ))
          : null}
        <path d={path} fill="none" stroke="var(--edit)" strokeWidth="1.8" />
        <line x1="0" x2={width} y1={bottom + 4} y2={bottom + 4} stroke="var(--line-strong)" />
        {ticks.map((reading) => (
          <Tick
            key={reading}
            parameter={shown}
            context={context}
            reading={reading}
            x={reading * px}
            y={bottom}
            width={width}
          />
        ))}
        <text
          x={width - 4}
          y={bottom - 3}
          fontSize="11"
          textAnchor="end"
          fill="var(--ink-2)"
          stroke="var(--sheet)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {axis.word} →
        </text>
        {open ? <Bounds parameter={shown} scale={scale} width={width} /> : null}
        {open ? (
          <ShapeHandles
            parameter={parameter}
            context={context}
            axis={axis}
            scale={scale}
            height={bottom}
            onDrag={setDragged}
          />
        ) : null}
      </g>
    </svg>
  );
}

function Bounds({ parameter, scale, width }: { parameter: Parameter; scale: LaneScale; width: number }) {
  return (['atMost', 'atLeast'] as const).map((name) => {
    const value = parameter.ramp[name];
    if (value === undefined) return null;
    return (
      <g key={name}>
        <line x1="0" x2={width} y1={scale.y(value)} y2={scale.y(value)} stroke="var(--ink-2)" strokeDasharray="5 4" />
        <text
          x={width - 4}
          y={scale.y(value) + (name === 'atMost' ? -4 : 12)}
          fontSize="11"
          textAnchor="end"
          fill="var(--ink-2)"
        >
          {name === 'atMost' ? 'at most' : 'at least'} {sayValue(parameter, value)}
        </text>
      </g>
    );
  });
}

/** A reading and the value there. */
function Tick({
  parameter,
  context,
  reading,
  x,
  y,
  width,
}: {
  parameter: Parameter;
  context: RampContext;
  reading: number;
  x: number;
  y: number;
  width: number;
}) {
  const anchor = x < 12 ? 'start' : x > width - 12 ? 'end' : 'middle';
  return (
    <>
      <line x1={x} x2={x} y1={y + 4} y2={y + 8} stroke="var(--line-strong)" />
      <text x={x} y={y + 18} fontSize="10.5" textAnchor={anchor} fill="var(--ink-2)" fontWeight="600">
        {sayValue(parameter, rampValue(parameter, reading, context))}
      </text>
      <text x={x} y={y + 29} fontSize="10" textAnchor={anchor} fill="var(--ink-3)">
        {reading}
      </text>
    </>
  );
}

/** One tier of the reading; its border is dragged, or moved by arrow keys. */
function Band({
  parameter,
  band,
  index,
  px,
  bottom,
  axis,
}: {
  parameter: Parameter;
  band: { id: string; name: string; from: number };
  index: number;
  px: number;
  bottom: number;
  axis: LaneAxis;
}) {
  const { from, handle } = useTierBorder(band, {
    axis: parameter.ramp.axis,
    placeAt: (clientX) => axis.placeAt(clientX),
    step: axis.step,
    say: (place) => `${band.name} begins at ${place} ${axis.word}`,
  });
  return (
    <g>
      <text x={from * px + 6} y="11" fontSize="11" fontWeight="550" fill="var(--ink-2)" className="pointer-events-none">
        {band.name}
      </text>
      {index === 0 ? null : (
        <g {...handle} className="cursor-ew-resize touch-none">
          <line x1={from * px} x2={from * px} y1="0" y2={bottom} stroke="var(--edit)" strokeDasharray="4 3" />
          <rect x={from * px - 6} y="0" width="12" height={bottom} fill="transparent" />
          <rect x={from * px - 3} y="2" width="6" height="11" rx="2" fill="var(--edit)" />
        </g>
      )}
    </g>
  );
}
