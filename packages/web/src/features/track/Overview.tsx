import { useMemo, useRef, type PointerEvent } from 'react';
import { useFirstColumn, type Columns } from '../../columns/columns.ts';
import { usePacerForecasts } from '../../answers/usePacerForecasts.ts';
import { useProjectPart } from '../../store/hooks.ts';

interface Props {
  columns: Columns;
  top: number;
}

const HEIGHT = 12;

/** The whole sequence in one strip, with the part in sight as a window to drag. */
export function Overview({ columns, top }: Props) {
  const slots = useProjectPart((project) => project.slots);
  const forecasts = usePacerForecasts();
  const first = useFirstColumn(columns);
  const { left, width, count, fitting, scrollTo } = columns;
  const held = useRef(false);
  const each = width / Math.max(1, count);
  const line = useMemo(
    () =>
      slots
        .map((slot, index) => {
          const rate = forecasts.get(slot.id)?.summary?.clearRate ?? 0;
          return `M${(index + 0.5) * each} ${HEIGHT}V${HEIGHT - rate * (HEIGHT - 1)}`;
        })
        .join(''),
    [slots, forecasts, each],
  );
  const follow = (event: PointerEvent<HTMLDivElement>): void => {
    const bounds = event.currentTarget.getBoundingClientRect();
    scrollTo(((event.clientX - bounds.left) / width) * count - fitting / 2);
  };
  return (
    <div
      role="scrollbar"
      tabIndex={0}
      aria-label="Part of the sequence in sight"
      aria-orientation="horizontal"
      aria-controls="root"
      aria-valuemin={1}
      aria-valuemax={count}
      aria-valuenow={Math.round(first) + 1}
      className="absolute touch-none bg-band"
      style={{ left, width, top, height: HEIGHT }}
      onPointerDown={(event) => {
        held.current = true;
        event.currentTarget.setPointerCapture(event.pointerId);
        follow(event);
      }}
      onPointerMove={(event) => held.current && follow(event)}
      onPointerUp={() => (held.current = false)}
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowLeft: -1, PageDown: fitting, PageUp: -fitting, Home: -count, End: count }[
          event.key
        ];
        if (by === undefined) return;
        event.preventDefault();
        scrollTo(first + by);
      }}
    >
      <svg width={width} height={HEIGHT} aria-hidden>
        <path d={line} stroke="var(--win-2)" strokeWidth={Math.max(0.6, each * 0.6)} />
      </svg>
      <div
        className="absolute inset-y-0 rounded-[2px] border border-edit bg-edit/15"
        style={{ left: (first / count) * width, width: Math.max(8, (fitting / count) * width) }}
      />
    </div>
  );
}
