import type { Parameter, Ramp } from '@stadion/core/document/model';
import { shapeDefinition, toSignificant, type Handle, type RampContext } from '@stadion/core/document/ramps';
import type { KeyboardEvent, PointerEvent } from 'react';
import { setRamp } from '@stadion/core/authoring/edits';
import { useEdit, useProject } from '../../store/hooks.ts';
import { useDragged } from '../../ui/index.ts';
import { handyValue, keyStepOf, type LaneScale } from './scale.ts';
import { sayValue } from './words.ts';

/** Where the places of a ramp's axis stand on its lane. */
export interface LaneAxis {
  /** Name of a place along the axis. @example 'level' */
  word: string;
  /** From where the lane's places begin, px. */
  x(place: number): number;
  /** @param clientX px from the window's left edge */
  placeAt(clientX: number): number;
  /** The furthest place that has room for a handle. */
  last: number;
  /** Step of a handle for one press of an arrow key. */
  step: number;
}

interface Props {
  parameter: Parameter;
  context: RampContext;
  axis: LaneAxis;
  scale: LaneScale;
  height: number;
  /** Tells the ramp as it is while a handle is dragged; null once it is let go. */
  onDrag: (ramp: Ramp | null) => void;
}

/** The handles of a ramp's shape: dragged, or moved by arrow keys. */
export function ShapeHandles({ parameter, context, axis, scale, height, onDrag }: Props) {
  const project = useProject();
  const edit = useEdit();
  const [drag, dragged] = useDragged<{ name: string; ramp: Ramp }>();
  const shape = drag?.ramp.shape ?? parameter.ramp.shape;
  const keyStep = keyStepOf(parameter, scale);

  const moved = (handle: Handle<Ramp['shape']>, from: Ramp['shape'], place: number, value: number): Ramp => {
    const entries = Object.entries(handle.moveTo(from, place, value)).map(([name, entry]) => [
      name,
      typeof entry === 'number' ? toSignificant(entry) : entry,
    ]);
    return { ...parameter.ramp, shape: Object.fromEntries(entries) as Ramp['shape'] };
  };
  const take = (next: { name: string; ramp: Ramp } | null): void => {
    dragged.set(next);
    onDrag(next?.ramp ?? null);
  };

  return (
    <>
      {shapeDefinition(shape)
        .handles(shape, context)
        .map((handle) => {
          const at = handle.at(shape);
          if (at.position > axis.last) return null;
          const x = axis.x(at.position);
          const y = Math.min(scale.bottom + 8, Math.max(4, scale.y(at.value)));
          const said = handle.label.toLowerCase();
          const onPointerMove = (event: PointerEvent<SVGElement>): void => {
            const held = dragged.now();
            if (held?.name !== handle.name) return;
            const bounds = (event.currentTarget.ownerSVGElement as SVGSVGElement).getBoundingClientRect();
            const down = Math.min(height, Math.max(0, event.clientY - bounds.top));
            const value = handyValue(scale.valueAt(down), parameter, scale);
            take({ name: handle.name, ramp: moved(handle, held.ramp.shape, axis.placeAt(event.clientX), value) });
          };
          const onKeyDown = (event: KeyboardEvent): void => {
            if ((event.key === 'Delete' || event.key === 'Backspace') && handle.remove) {
              event.preventDefault();
              const without = handle.remove(parameter.ramp.shape);
              return edit(setRamp(project, parameter.key, { ...parameter.ramp, shape: without }, `${said} removed`));
            }
            const up = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
            const along = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
            if (up === 0 && along === 0) return;
            event.preventDefault();
            const value = toSignificant(at.value + up * keyStep);
            const ramp = moved(handle, parameter.ramp.shape, at.position + along * axis.step, value);
            edit(setRamp(project, parameter.key, ramp, `${said} moved`));
          };
          return (
            <g
              key={handle.name}
              role="slider"
              tabIndex={0}
              aria-label={`${handle.label} of ${parameter.label}: up and down change the value, left and right change the ${axis.word.replace(/^the /, '')}${handle.remove ? ', Delete removes it' : ''}`}
              aria-valuenow={Number(at.value.toPrecision(6))}
              aria-valuetext={`${sayValue(parameter, at.value)} at ${axis.word} ${at.position}`}
              className="cursor-move touch-none"
              onPointerDown={(event) => {
                event.preventDefault();
                event.stopPropagation();
                event.currentTarget.focus();
                event.currentTarget.setPointerCapture(event.pointerId);
                take({ name: handle.name, ramp: parameter.ramp });
              }}
              onPointerMove={onPointerMove}
              onPointerUp={() => {
                const held = dragged.now();
                if (held) edit(setRamp(project, parameter.key, held.ramp, `${said} dragged`));
                take(null);
              }}
              onKeyDown={onKeyDown}
            >
              <title>{`${handle.label}: ${sayValue(parameter, at.value)} at ${axis.word} ${at.position}`}</title>
              <circle cx={x} cy={y} r="11" fill="transparent" />
              <circle cx={x} cy={y} r="6" fill="var(--sheet)" stroke="var(--edit)" strokeWidth="2.2" />
            </g>
          );
        })}
    </>
  );
}
