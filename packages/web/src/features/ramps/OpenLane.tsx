import type { Parameter, Project, Ramp } from '@stadion/core/document/model';
import { rowWith, seriesOf, toSignificant, type RampRow } from '@stadion/core/document/ramps';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Columns } from '../../columns/columns.ts';
import { removePin, setPin } from '@stadion/core/authoring/edits';
import { useGoto } from '../../address/address.ts';
import { useAppDispatch, useEdit, useProject } from '../../store/hooks.ts';
import { stretchMarked } from '../../store/viewSlice.ts';
import { useDragged } from '../../ui/index.ts';
import { Mark, PointNumber, stepsPath } from './LaneLine.tsx';
import { changeInWords, derivationInWords, handyValue, keyStepOf, lanePoint, type LaneScale } from './scale.ts';
import { ShapeHandles, type LaneAxis } from './ShapeHandles.tsx';
import { sayValue } from './words.ts';

interface Props {
  parameter: Parameter;
  row: RampRow;
  columns: Columns;
  /** The selected slot's. */
  position: number;
  scale: LaneScale;
  height: number;
  /** The line is an earlier one: what is being typed cannot be read yet. */
  dimmed: boolean;
}

/** A point's derivation and its change, as one hovers it. */
function pointInWords(project: Project, parameter: Parameter, row: RampRow, position: number): string {
  const say = (value: number): string => sayValue(parameter, value, 3);
  const change = changeInWords(row, position, say);
  const past = position > project.slots.length ? ', past the end' : '';
  return `Level ${position}${past}: ${derivationInWords(project, parameter, position, say)}${change === '' ? '' : `; ${change}`}`;
}

/** The open lane's line: points that can be pinned, the handles of its shape, and room to mark a stretch of levels. */
export function OpenLane({ parameter, row, columns, position, scale, height, dimmed }: Props) {
  const project = useProject();
  const edit = useEdit();
  const goto = useGoto();
  const dispatch = useAppDispatch();
  const group = useRef<SVGGElement>(null);
  const [held, hold] = useDragged<{ position: number; value: number }>();
  const [dragged, setDragged] = useState<Ramp | null>(null);
  const marking = useRef<number | null>(null);
  const { column, count, middle, visible, positionAt } = columns;
  const { slots } = project;
  const shown = useMemo(() => (dragged ? { ...parameter, ramp: dragged } : parameter), [dragged, parameter]);
  const line = useMemo(() => (dragged ? rowWith(project, shown, count) : row), [dragged, project, shown, count, row]);
  const context = useMemo(() => seriesOf(project).contextOf(parameter, 1), [project, parameter]);
  const axis: LaneAxis = { word: 'level', x: middle, placeAt: positionAt, last: count + 1, step: 1 };
  const keyStep = keyStepOf(parameter, scale);

  const valueUnder = (event: PointerEvent): number => {
    const bounds = (group.current!.ownerSVGElement as SVGSVGElement).getBoundingClientRect();
    return handyValue(scale.valueAt(Math.min(height, Math.max(0, event.clientY - bounds.top))), parameter, scale);
  };
  const columnUnder = (event: PointerEvent): number =>
    Math.min(slots.length, Math.max(1, Math.round(positionAt(event.clientX))));

  const pinBy = (event: KeyboardEvent, slotId: string, value: number, pinned: boolean): void => {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (by !== 0) {
      event.preventDefault();
      edit(setPin(project, parameter.key, slotId, toSignificant(value + by * keyStep)));
    }
    if ((event.key === 'Delete' || event.key === 'Backspace') && pinned)
      edit(removePin(project, parameter.key, slotId));
  };

  return (
    <g ref={group}>
      {/* Dragging over the empty lane marks a stretch of levels; a click goes to one. */}
      <rect
        x={0}
        y={0}
        width={slots.length * column}
        height={scale.bottom + 24}
        fill="transparent"
        className="cursor-col-resize touch-none"
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          marking.current = columnUnder(event);
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={(event) => {
          const from = marking.current;
          const to = columnUnder(event);
          if (from !== null && to !== from) dispatch(stretchMarked({ from, to }));
        }}
        onPointerUp={(event) => {
          const from = marking.current;
          marking.current = null;
          const slot = slots[columnUnder(event) - 1];
          if (from !== columnUnder(event) || !slot) return;
          dispatch(stretchMarked(null));
          goto({ slotId: slot.id });
        }}
      />
      <path
        d={stepsPath(line.ramp, visible, column, scale)}
        fill="none"
        stroke="var(--edit)"
        strokeWidth="1.8"
        className="pointer-events-none"
        strokeOpacity={dimmed ? 0.35 : 1}
      />
      {visible.map((at) => {
        const plain = lanePoint(slots, shown, line, at);
        const point = held?.position === at ? { ...plain, value: held.value, pinned: true } : plain;
        const past = point.slotId === '';
        const number = (
          <PointNumber
            parameter={parameter}
            point={point}
            column={column}
            selected={at === position}
            y={scale.bottom + 18}
          />
        );
        if (past) {
          return (
            <g key={at}>
              <title>{pointInWords(project, shown, line, at)}</title>
              <Mark point={point} x={middle(at)} scale={scale} size={3} />
              {number}
            </g>
          );
        }
        return (
          <g key={at}>
            <g
              role="slider"
              // One stop for the Tab key; [ and ] go along the lane.
              tabIndex={at === position ? 0 : -1}
              aria-label={`Value of ${parameter.label} at level ${at}: up and down pin it, Delete removes the pin`}
              aria-valuenow={Number(point.value.toPrecision(6))}
              aria-valuetext={`${sayValue(parameter, point.value)}${point.pinned ? ', pinned' : ''}`}
              className="cursor-ns-resize touch-none"
              onPointerDown={(event) => {
                event.preventDefault();
                event.currentTarget.focus();
                event.currentTarget.setPointerCapture(event.pointerId);
                hold.set({ position: at, value: point.value });
              }}
              onPointerMove={(event) => {
                if (hold.now()?.position === at) hold.set({ position: at, value: valueUnder(event) });
              }}
              onPointerUp={() => {
                const value = hold.now()?.value ?? plain.value;
                if (value !== plain.value) edit(setPin(project, parameter.key, point.slotId, value));
                hold.set(null);
              }}
              onKeyDown={(event) => pinBy(event, point.slotId, point.value, point.pinned)}
            >
              <title>{pointInWords(project, shown, line, at)}</title>
              <rect
                x={(at - 1) * column}
                y={Math.max(0, scale.y(point.value) - 12)}
                width={column}
                height="24"
                fill="transparent"
              />
              <Mark point={point} x={middle(at)} scale={scale} size={3} />
            </g>
            {number}
          </g>
        );
      })}
      <ShapeHandles
        parameter={parameter}
        context={context}
        axis={axis}
        scale={scale}
        height={height}
        onDrag={setDragged}
      />
    </g>
  );
}
