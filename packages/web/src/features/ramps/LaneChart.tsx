import type { Parameter, Ramp } from '@stadion/core/model';
import { readRamp, shapeDefinition } from '@stadion/core/ramps';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Columns } from '../../app/columns.ts';
import { removePin, setPin, setRamp } from '../../app/commands/index.ts';
import { useEdit, useProject } from '../../app/hooks.ts';
import { handyValue, lanePoint, laneScale, derivationInWords, type LanePoint } from './scale.ts';
import { sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  columns: Columns;
  position: number;
  open: boolean;
  height: number;
}

/** What is being dragged: a handle of the shape, or a slot's point. */
type Drag =
  | { what: 'handle'; name: string; ramp: Ramp; said: string }
  | { what: 'point'; slotId: string; position: number; value: number };

/** The line of a lane: the ramp, its values as points, cap and floor, pins; handles when it is open. */
export function LaneChart({ parameter, columns, position, open, height }: Props) {
  const project = useProject();
  const edit = useEdit();
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const shown: Parameter = drag?.what === 'handle' ? { ...parameter, ramp: drag.ramp } : parameter;
  const { left, width, column, count, edge, middle, visible, positionAt } = columns;
  const top = 14;
  const bottom = open ? height - 62 : height - 24;
  const reading = useMemo(() => readRamp(parameter, count), [parameter, count]);
  const scale = laneScale([reading.lowest, reading.highest], parameter.ramp, top, bottom);
  const points = visible.map((at): LanePoint => {
    const point = lanePoint(project, shown, at);
    return drag?.what === 'point' && drag.position === at ? { ...point, value: drag.value, pinned: true } : point;
  });
  const line = points
    .map(
      (point, index) =>
        `${index === 0 ? `M${edge(point.position)} ` : 'V'}${scale.y(point.ramp)}H${edge(point.position) + column}`,
    )
    .join('');
  const definition = shapeDefinition(shown.ramp.shape);

  const placeOf = (event: PointerEvent): { position: number; value: number } => {
    const bounds = (svg.current as SVGSVGElement).getBoundingClientRect();
    const y = Math.min(height, Math.max(0, event.clientY - bounds.top));
    return { position: positionAt(event.clientX - bounds.left), value: handyValue(scale.valueAt(y), parameter, scale) };
  };
  const moveHandle = (name: string, to: { position: number; value: number }): Drag | null => {
    const handle = definition.handles.find((entry) => entry.name === name);
    if (!handle) return null;
    const shape = handle.moveTo(shown.ramp.shape, to.position, to.value);
    const clean = Object.fromEntries(
      Object.entries(shape).map(([key, value]) => [
        key,
        typeof value === 'number' ? Number(value.toPrecision(10)) : value,
      ]),
    ) as Ramp['shape'];
    return { what: 'handle', name, ramp: { ...parameter.ramp, shape: clean }, said: handle.label.toLowerCase() };
  };
  const commit = (): void => {
    if (drag?.what === 'handle') edit(setRamp(project, parameter.key, drag.ramp, `${drag.said} dragged`));
    if (drag?.what === 'point') edit(setPin(project, parameter.key, drag.slotId, drag.value));
    setDrag(null);
  };
  const hold = (event: PointerEvent<SVGElement>): void => {
    event.preventDefault();
    (event.currentTarget as SVGElement).focus();
    event.currentTarget.setPointerCapture(event.pointerId);
  };

  return (
    <svg ref={svg} width="100%" height={height} className="absolute inset-0">
      <defs>
        <clipPath id={`lane-${parameter.key}`}>
          <rect x={left} y="0" width={width + 12} height={height} />
        </clipPath>
      </defs>
      <g clipPath={`url(#lane-${parameter.key})`}>
        {position > 0 ? (
          <rect x={edge(position)} y="0" width={column} height={height} fill="var(--edit-soft)" fillOpacity=".75" />
        ) : null}
        {project.tiers.map((tier) =>
          tier.from > 1 && tier.from <= count ? (
            <line key={tier.id} x1={edge(tier.from)} x2={edge(tier.from)} y1="0" y2={height} stroke="var(--line)" />
          ) : null,
        )}
        {open ? (
          <Bound
            value={parameter.ramp.atMost}
            at={reading.capReachedAt}
            word="at most"
            {...{ parameter, scale, left, width }}
          />
        ) : null}
        {open ? (
          <Bound
            value={parameter.ramp.atLeast}
            at={reading.floorReachedAt}
            word="at least"
            {...{ parameter, scale, left, width }}
          />
        ) : null}
        <path d={line} fill="none" stroke="var(--edit)" strokeWidth="1.8" />
        {points.map((point) => (
          <Point
            key={point.slotId}
            {...{ parameter, point, open, scale, column }}
            x={middle(point.position)}
            selected={point.position === position}
            bottom={bottom}
            height={height}
            title={
              open
                ? `Level ${point.position}: ${derivationInWords(project, shown, point.position, (value) => sayValue(parameter, value, 3))}`
                : undefined
            }
            onHold={(event) => {
              hold(event);
              setDrag({ what: 'point', slotId: point.slotId, position: point.position, value: point.value });
            }}
            onMove={(event) =>
              drag?.what === 'point' &&
              drag.position === point.position &&
              setDrag({ ...drag, value: placeOf(event).value })
            }
            onLetGo={() =>
              drag?.what === 'point' && drag.value !== lanePoint(project, parameter, point.position).value
                ? commit()
                : setDrag(null)
            }
            onKey={(event) => {
              const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
              if (by !== 0) {
                event.preventDefault();
                const stepSize =
                  handyValue((scale.high - scale.low) / 40, parameter, scale) || parameter.ramp.roundTo || 1;
                edit(
                  setPin(project, parameter.key, point.slotId, Number((point.value + by * stepSize).toPrecision(10))),
                );
              }
              if ((event.key === 'Delete' || event.key === 'Backspace') && point.pinned)
                edit(removePin(project, parameter.key, point.slotId));
            }}
          />
        ))}
        {open
          ? definition.handles.map((handle) => {
              const at = handle.at(shown.ramp.shape);
              if (at.position > count + 1) return null;
              const x = middle(at.position);
              const y = Math.min(bottom + 8, Math.max(4, scale.y(at.value)));
              return (
                <g
                  key={handle.name}
                  role="slider"
                  tabIndex={0}
                  aria-label={`${handle.label} of ${parameter.label}: up and down change the value, left and right the level`}
                  aria-valuenow={Number(at.value.toPrecision(6))}
                  aria-valuetext={`${sayValue(parameter, at.value)} at level ${at.position}`}
                  className="cursor-move touch-none"
                  onPointerDown={(event) => {
                    hold(event);
                    setDrag({
                      what: 'handle',
                      name: handle.name,
                      ramp: parameter.ramp,
                      said: handle.label.toLowerCase(),
                    });
                  }}
                  onPointerMove={(event) =>
                    drag?.what === 'handle' &&
                    drag.name === handle.name &&
                    setDrag(moveHandle(handle.name, placeOf(event)))
                  }
                  onPointerUp={() =>
                    drag?.what === 'handle' && JSON.stringify(drag.ramp) !== JSON.stringify(parameter.ramp)
                      ? commit()
                      : setDrag(null)
                  }
                  onKeyDown={(event: KeyboardEvent) => {
                    const up = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
                    const along = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
                    if (up === 0 && along === 0) return;
                    event.preventDefault();
                    const stepSize =
                      handyValue((scale.high - scale.low) / 40, parameter, scale) || parameter.ramp.roundTo || 1;
                    const moved = moveHandle(handle.name, {
                      position: at.position + along,
                      value: Number((at.value + up * stepSize).toPrecision(10)),
                    });
                    if (moved?.what === 'handle')
                      edit(setRamp(project, parameter.key, moved.ramp, `${moved.said} moved`));
                  }}
                >
                  <title>{`${handle.label}: ${sayValue(parameter, at.value)} at level ${at.position}`}</title>
                  <circle cx={x} cy={y} r="11" fill="transparent" />
                  <circle cx={x} cy={y} r="6" fill="var(--sheet)" stroke="var(--edit)" strokeWidth="2.2" />
                </g>
              );
            })
          : null}
      </g>
    </svg>
  );
}

interface BoundProps {
  value: number | undefined;
  at: number | undefined;
  word: string;
  parameter: Parameter;
  scale: { y(value: number): number };
  left: number;
  width: number;
}

/** Cap or floor of a ramp. */
function Bound({ value, at, word, parameter, scale, left, width }: BoundProps) {
  if (value === undefined) return null;
  const y = scale.y(value);
  // Where the line does not run along the bound yet.
  const atLeft = at === undefined || at > 6;
  return (
    <>
      <line x1={left} x2={left + width} y1={y} y2={y} stroke="var(--ink-2)" strokeDasharray="5 4" />
      <text
        x={atLeft ? left + 4 : left + width - 4}
        y={word === 'at most' ? y - 4 : y + 12}
        fontSize="11"
        textAnchor={atLeft ? 'start' : 'end'}
        fill="var(--ink-2)"
      >
        {word} {sayValue(parameter, value)} — {at === undefined ? 'never reached' : `reached at level ${at}`}
      </text>
    </>
  );
}

interface PointProps {
  parameter: Parameter;
  point: LanePoint;
  open: boolean;
  selected: boolean;
  scale: { y(value: number): number };
  x: number;
  column: number;
  bottom: number;
  height: number;
  /** How the value came to be; only the open lane tells. */
  title: string | undefined;
  onHold: (event: PointerEvent<SVGElement>) => void;
  onMove: (event: PointerEvent<SVGElement>) => void;
  onLetGo: () => void;
  onKey: (event: KeyboardEvent) => void;
}

/** A value at one slot; in the open lane dragging it pins it. */
function Point({
  parameter,
  point,
  open,
  selected,
  scale,
  x,
  column,
  bottom,
  height,
  title,
  onHold,
  onMove,
  onLetGo,
  onKey,
}: PointProps) {
  const y = scale.y(point.value);
  const size = open ? 4.5 : 3.4;
  return (
    <g>
      {point.pinned ? (
        <line x1={x} x2={x} y1={scale.y(point.ramp)} y2={y} stroke="var(--mark-ink)" strokeDasharray="2 2" />
      ) : null}
      <g
        {...(open
          ? {
              role: 'slider',
              // One stop for the Tab key; [ and ] go along the lane.
              tabIndex: selected ? 0 : -1,
              'aria-label': `Value of ${parameter.label} at level ${point.position}: up and down pin it, Delete removes the pin`,
              'aria-valuenow': Number(point.value.toPrecision(6)),
              'aria-valuetext': `${sayValue(parameter, point.value)}${point.pinned ? ', pinned' : ''}`,
              className: 'cursor-ns-resize touch-none',
              onPointerDown: onHold,
              onPointerMove: onMove,
              onPointerUp: onLetGo,
              onKeyDown: onKey,
            }
          : {})}
      >
        {title === undefined ? null : <title>{title}</title>}
        <rect
          x={x - column / 2}
          y={open ? Math.max(0, y - 12) : 0}
          width={column}
          height={open ? 24 : height}
          fill="transparent"
        />
        {point.pinned ? (
          <rect
            x={x - size}
            y={y - size}
            width={size * 2}
            height={size * 2}
            transform={`rotate(45 ${x} ${y})`}
            fill="var(--mark)"
            stroke="var(--mark-ink)"
          />
        ) : (
          <circle cx={x} cy={y} r={open ? 3 : 2.2} fill="var(--edit)" />
        )}
      </g>
      {column >= 26 ? (
        <text
          x={x}
          y={open ? bottom + 18 : height - 7}
          fontSize="10.5"
          textAnchor="middle"
          fontWeight={point.pinned || selected ? 700 : 400}
          fill={point.pinned ? 'var(--mark-ink)' : selected ? 'var(--edit-ink)' : 'var(--ink-2)'}
        >
          {sayValue(parameter, point.value)}
        </text>
      ) : null}
    </g>
  );
}
