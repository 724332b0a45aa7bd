import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { horizontalListSortingStrategy, SortableContext } from '@dnd-kit/sortable';
import { useCallback, useEffect, useMemo, useRef, type PointerEvent } from 'react';
import { GUTTER, useColumns } from '../../columns/columns.ts';
import { moveSlot } from '@stadion/core/authoring/edits';
import { wantedAt } from '@stadion/core/document/ramps';
import { useRateChanges } from '../../readings/compared.ts';
import { useGoto, useSelection, useSequenceEdit } from '../../address/address.ts';
import { useAppDispatch, useAppSelector, useProject } from '../../store/hooks.ts';
import { SEVERITIES, type Severity } from '@stadion/core/authoring/findings';
import { useFindings } from '../../answers/useFindings.ts';
import { usePacerForecasts } from '../../answers/usePacerForecasts.ts';
import { stretchMarked } from '../../store/viewSlice.ts';
import { Column } from './Column.tsx';
import { TrackChart } from './TrackChart.tsx';
import { BASE } from './geometry.ts';
import { TierBorders } from './TierBorders.tsx';
import { TrackGutter } from './TrackGutter.tsx';
import { Overview } from './Overview.tsx';

const TRACK_HEIGHT = 142;

/** The sequence, one column per slot, on top of every screen. */
export function Track() {
  const project = useProject();
  const { position } = useSelection();
  const goto = useGoto();
  const change = useSequenceEdit();
  const columns = useColumns();
  const forecasts = usePacerForecasts();
  const changes = useRateChanges(forecasts);
  const stretch = useAppSelector((state) => state.view.stretch);
  const dispatch = useAppDispatch();
  const findings = useFindings();
  const bySlot = useMemo(() => {
    const found = new Map<string, { count: number; gravest: Severity }>();
    for (const { slotId, severity } of findings) {
      const before = found.get(slotId);
      const gravest =
        before && SEVERITIES.indexOf(before.gravest) < SEVERITIES.indexOf(severity) ? before.gravest : severity;
      found.set(slotId, { count: (before?.count ?? 0) + 1, gravest });
    }
    return found;
  }, [findings]);

  // The selected column comes into sight when the selection moves, not when somebody scrolls away from it.
  const { first, fitting, scrollTo } = columns;
  const shown = useRef(0);
  useEffect(() => {
    if (shown.current === position || position === 0) return;
    shown.current = position;
    if (position - 1 < first) scrollTo(position - 2);
    else if (position > first + fitting) scrollTo(position - fitting + 1);
  }, [position, first, fitting, scrollTo]);

  const stepByColumn: KeyboardCoordinateGetter = (event, { currentCoordinates }) => {
    if (event.code === 'ArrowRight') return { ...currentCoordinates, x: currentCoordinates.x + columns.column };
    if (event.code === 'ArrowLeft') return { ...currentCoordinates, x: currentCoordinates.x - columns.column };
    return undefined;
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: stepByColumn,
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  );
  const positionOf = (id: string | number | undefined): number => project.slots.findIndex((slot) => slot.id === id) + 1;
  const nameOf = (id: string | number): string =>
    project.levels[project.slots[positionOf(id) - 1]?.levelId ?? '']?.name ?? String(id);
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Picked up ${nameOf(active.id)}, position ${positionOf(active.id)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${nameOf(active.id)} is over position ${positionOf(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) =>
      over ? `${nameOf(active.id)} was put at position ${positionOf(over.id)}.` : `${nameOf(active.id)} was put back.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} was put back.`,
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) change(moveSlot(project, String(active.id), positionOf(over.id)));
  };
  const { visible: positions } = columns;
  const visible = useMemo(
    () =>
      positions.flatMap((at) => {
        const slot = project.slots[at - 1];
        return slot ? [{ slot, at }] : [];
      }),
    [positions, project.slots],
  );
  const ids = useMemo(() => visible.map(({ slot }) => slot.id), [visible]);
  const pinned = useMemo(
    () => new Set(project.parameters.flatMap((parameter) => Object.keys(parameter.pins))),
    [project.parameters],
  );
  // Dragging over the bars marks a stretch of levels; a click goes to one.
  const marking = useRef<number | null>(null);
  const columnUnder = (event: PointerEvent): number =>
    Math.min(columns.slots, Math.max(1, Math.round(columns.positionAt(event.clientX))));
  const overBars = (event: PointerEvent<HTMLElement>): boolean =>
    event.clientY - event.currentTarget.getBoundingClientRect().top < BASE;
  const select = useCallback((slotId: string) => goto({ slotId }), [goto]);
  const scrolls = columns.count > columns.fitting;

  const repeated = useMemo(() => {
    const ids = project.slots.map(({ levelId }) => levelId);
    return new Set(ids.filter((id, index) => ids.indexOf(id) !== index));
  }, [project.slots]);
  return (
    <section
      aria-label="Sequence"
      className="relative shrink-0 overflow-hidden border-b border-line-strong bg-sheet"
      style={{ height: TRACK_HEIGHT + (scrolls ? 16 : 0) }}
      onWheel={(event) => scrolls && scrollTo(first + (event.deltaX + event.deltaY) / columns.column)}
    >
      <TrackChart columns={columns} forecasts={forecasts} changes={changes} stretch={stretch} />
      {/* Columns scrolled out of sight must not reach into the gutter. */}
      <div
        className="absolute inset-y-0 right-0 overflow-hidden"
        style={{ left: GUTTER }}
        onPointerDown={(event) => {
          if (event.button === 0 && overBars(event)) marking.current = columnUnder(event);
        }}
        onPointerMove={(event) => {
          const from = marking.current;
          const to = columnUnder(event);
          if (from === null || event.buttons !== 1) return void (marking.current = null);
          if (to !== from || stretch?.from === from) dispatch(stretchMarked({ from, to }));
        }}
        onPointerUp={(event) => {
          if (marking.current === columnUnder(event) && stretch) dispatch(stretchMarked(null));
          marking.current = null;
        }}
      >
        <DndContext
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={onDragEnd}
          accessibility={{ announcements }}
        >
          <div
            className="absolute inset-y-0 left-0 w-0"
            style={{ transform: `translateX(${columns.shift - GUTTER}px)` }}
          >
            <SortableContext items={ids} strategy={horizontalListSortingStrategy}>
              {visible.map(({ slot, at }) => (
                <Column
                  key={slot.id}
                  slot={slot}
                  position={at}
                  left={columns.edge(at)}
                  width={columns.column}
                  selected={at === position}
                  findings={bySlot.get(slot.id)?.count ?? 0}
                  gravest={bySlot.get(slot.id)?.gravest}
                  pinned={pinned.has(slot.id)}
                  repeats={repeated.has(slot.levelId)}
                  name={project.levels[slot.levelId]?.name ?? slot.levelId}
                  forecast={forecasts.get(slot.id)}
                  change={changes.get(slot.id)}
                  wantedRate={wantedAt(project, at)}
                  onSelect={select}
                />
              ))}
            </SortableContext>
          </div>
        </DndContext>
        <TierBorders columns={columns} />
      </div>
      <TrackGutter />
      {scrolls ? <Overview columns={columns} forecasts={forecasts} top={TRACK_HEIGHT} /> : null}
    </section>
  );
}
