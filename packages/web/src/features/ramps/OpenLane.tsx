import type { Parameter, Project, Ramp } from '@stadion/core/model';
import { shapeDefinition, type Handle } from '@stadion/core/ramps';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Columns } from '../../app/columns.ts';
import { removePin, setPin, setRamp } from '../../app/commands/index.ts';
import { useEdit, useProject } from '../../app/hooks.ts';
import { linePath, Mark, PointNumber } from './LaneLine.tsx';
import { changeInWords, derivationInWords, handyValue, lanePoint, type LanePoint, type LaneScale } from './scale.ts';
import { sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  columns: Columns;
  /** The selected slot's. */
  position: number;
  scale: LaneScale;
  height: number;
}

/** What is being dragged: a handle of the shape, or a slot's point. */
type Drag = { what: 'handle'; name: string; ramp: Ramp } | { what: 'point'; position: number; value: number };

/** A point's derivation and its change, as one hovers it. */
function pointInWords(project: Project, parameter: Parameter, position: number): string {
  const say = (value: number): string => sayValue(parameter, value, 3);
  const change = changeInWords(project, parameter, position, say);
  return `Level ${position}: ${derivationInWords(project, parameter, position, say)}${change === '' ? '' : `; ${change}`}`;
}

const tidy = (value: number): number => Number(value.toPrecision(10));

/** The open lane's line: points that can be pinned, and the handles of its shape. */
export function OpenLane({ parameter, columns, position, scale, height }: Props) {
  const project = useProject();
  const edit = useEdit();
  const group = useRef<SVGGElement>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  const { column, count, middle, visible, positionAt } = columns;
  const shown: Parameter = drag?.what === 'handle' ? { ...parameter, ramp: drag.ramp } : parameter;
  const definition = shapeDefinition(shown.ramp.shape);
  const points = visible.map((at): LanePoint => {
    const point = lanePoint(project, shown, at);
    return drag?.what === 'point' && drag.position === at ? { ...point, value: drag.value, pinned: true } : point;
  });
  /** What an arrow key changes: a fortieth of the lane, made handy. */
  const keyStep = handyValue((scale.high - scale.low) / 40, parameter, scale) || parameter.ramp.roundTo || 1;

  const placeOf = (event: PointerEvent): { position: number; value: number } => {
    const bounds = (group.current?.ownerSVGElement as SVGSVGElement).getBoundingClientRect();
    const y = Math.min(height, Math.max(0, event.clientY - bounds.top));
    return { position: positionAt(event.clientX - bounds.left), value: handyValue(scale.valueAt(y), parameter, scale) };
  };
  const moved = (handle: Handle<Ramp['shape']>, to: { position: number; value: number }): Ramp => {
    const shape = Object.entries(handle.moveTo(shown.ramp.shape, to.position, to.value)).map(([name, value]) => [
      name,
      typeof value === 'number' ? tidy(value) : value,
    ]);
    return { ...parameter.ramp, shape: Object.fromEntries(shape) as Ramp['shape'] };
  };
  const hold = (event: PointerEvent<SVGElement>, next: Drag): void => {
    event.preventDefault();
    event.currentTarget.focus();
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrag(next);
  };

  return (
    <g ref={group}>
      <path d={linePath(points, column, scale)} fill="none" stroke="var(--edit)" strokeWidth="1.8" />
      {points.map((point) => (
        <g key={point.slotId}>
          <g
            role="slider"
            // One stop for the Tab key; [ and ] go along the lane.
            tabIndex={point.position === position ? 0 : -1}
            aria-label={`Value of ${parameter.label} at level ${point.position}: up and down pin it, Delete removes the pin`}
            aria-valuenow={Number(point.value.toPrecision(6))}
            aria-valuetext={`${sayValue(parameter, point.value)}${point.pinned ? ', pinned' : ''}`}
            className="cursor-ns-resize touch-none"
            onPointerDown={(event) => hold(event, { what: 'point', position: point.position, value: point.value })}
            onPointerMove={(event) => {
              if (drag?.what === 'point' && drag.position === point.position)
                setDrag({ ...drag, value: placeOf(event).value });
            }}
            onPointerUp={() => {
              const changed =
                drag?.what === 'point' && drag.value !== lanePoint(project, parameter, point.position).value;
              if (changed) edit(setPin(project, parameter.key, point.slotId, drag.value));
              setDrag(null);
            }}
            onKeyDown={(event: KeyboardEvent) => {
              const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
              if (by !== 0) {
                event.preventDefault();
                edit(setPin(project, parameter.key, point.slotId, tidy(point.value + by * keyStep)));
              }
              if ((event.key === 'Delete' || event.key === 'Backspace') && point.pinned)
                edit(removePin(project, parameter.key, point.slotId));
            }}
          >
            <title>{pointInWords(project, shown, point.position)}</title>
            <rect
              x={(point.position - 1) * column}
              y={Math.max(0, scale.y(point.value) - 12)}
              width={column}
              height="24"
              fill="transparent"
            />
            <Mark point={point} x={middle(point.position)} scale={scale} size={3} />
          </g>
          <PointNumber
            parameter={parameter}
            point={point}
            column={column}
            selected={point.position === position}
            y={scale.bottom + 18}
          />
        </g>
      ))}
      {definition.handles(shown.ramp.shape).map((handle) => {
        const at = handle.at(shown.ramp.shape);
        if (at.position > count + 1) return null;
        const x = middle(at.position);
        const y = Math.min(scale.bottom + 8, Math.max(4, scale.y(at.value)));
        const said = handle.label.toLowerCase();
        return (
          <g
            key={handle.name}
            role="slider"
            tabIndex={0}
            aria-label={`${handle.label} of ${parameter.label}: up and down change the value, left and right the level${handle.remove ? ', Delete removes it' : ''}`}
            aria-valuenow={Number(at.value.toPrecision(6))}
            aria-valuetext={`${sayValue(parameter, at.value)} at level ${at.position}`}
            className="cursor-move touch-none"
            onPointerDown={(event) => hold(event, { what: 'handle', name: handle.name, ramp: parameter.ramp })}
            onPointerMove={(event) => {
              if (drag?.what === 'handle' && drag.name === handle.name)
                setDrag({ ...drag, ramp: moved(handle, placeOf(event)) });
            }}
            onPointerUp={() => {
              if (drag?.what === 'handle') edit(setRamp(project, parameter.key, drag.ramp, `${said} dragged`));
              setDrag(null);
            }}
            onKeyDown={(event: KeyboardEvent) => {
              if ((event.key === 'Delete' || event.key === 'Backspace') && handle.remove) {
                event.preventDefault();
                const shape = handle.remove(parameter.ramp.shape);
                edit(setRamp(project, parameter.key, { ...parameter.ramp, shape }, `${said} removed`));
                return;
              }
              const up = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
              const along = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
              if (up === 0 && along === 0) return;
              event.preventDefault();
              const to = { position: at.position + along, value: tidy(at.value + up * keyStep) };
              edit(setRamp(project, parameter.key, moved(handle, to), `${said} moved`));
            }}
          >
            <title>{`${handle.label}: ${sayValue(parameter, at.value)} at level ${at.position}`}</title>
            <circle cx={x} cy={y} r="11" fill="transparent" />
            <circle cx={x} cy={y} r="6" fill="var(--sheet)" stroke="var(--edit)" strokeWidth="2.2" />
          </g>
        );
      })}
    </g>
  );
}
