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
import { moveSlot } from '@stadion/core/authoring/edits';
import type { Project } from '@stadion/core/document/model';
import { memo, useCallback, useMemo } from 'react';
import { useGoto, useSelection, useSequenceEdit } from '../../address/address.ts';
import { shiftedBesideGutter, type Columns } from '../../columns/columns.ts';
import { useProjectNow, useSlotIds } from '../../store/hooks.ts';
import { Column } from './Column.tsx';

const BY_POINTER = { activationConstraint: { distance: 5 } };
const KEYS = { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] };

type DragId = string | number;
const positionOf = ({ slots }: Project, id: DragId): number => slots.findIndex((slot) => slot.id === id) + 1;

/** Words about a dragged column. */
function announcementsFor(now: () => Project): Announcements {
  const nameOf = (id: DragId): string => {
    const { slots, levels } = now();
    return levels[slots.find((slot) => slot.id === id)?.levelId ?? '']?.name ?? String(id);
  };
  const placeOf = (id: DragId): number => positionOf(now(), id);
  return {
    onDragStart: ({ active }) => `Picked up ${nameOf(active.id)}, position ${placeOf(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `${nameOf(active.id)} is over position ${placeOf(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) =>
      over ? `${nameOf(active.id)} was put at position ${placeOf(over.id)}.` : `${nameOf(active.id)} was put back.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} was put back.`,
  };
}

/** The columns of the slots in sight, which can be selected and moved. */
export const TrackColumns = memo(function TrackColumns({ columns }: { columns: Columns }) {
  const { visible: positions, column, edge } = columns;
  const now = useProjectNow();
  const { position } = useSelection();
  const goto = useGoto();
  const change = useSequenceEdit();
  const slotIds = useSlotIds();
  // Positions past the end have no slot.
  const visible = useMemo(
    () =>
      positions.flatMap((at) => {
        const slotId = slotIds[at - 1];
        return slotId === undefined ? [] : [{ slotId, at }];
      }),
    [positions, slotIds],
  );
  const ids = useMemo(() => visible.map(({ slotId }) => slotId), [visible]);
  const byKeys = useMemo(() => {
    const coordinateGetter: KeyboardCoordinateGetter = (event, { currentCoordinates }) => {
      if (event.code === 'ArrowRight') return { ...currentCoordinates, x: currentCoordinates.x + column };
      if (event.code === 'ArrowLeft') return { ...currentCoordinates, x: currentCoordinates.x - column };
      return undefined;
    };
    return { coordinateGetter, keyboardCodes: KEYS };
  }, [column]);
  const sensors = useSensors(useSensor(PointerSensor, BY_POINTER), useSensor(KeyboardSensor, byKeys));
  const accessibility = useMemo(() => ({ announcements: announcementsFor(now) }), [now]);
  const onDragEnd = useCallback(
    ({ active, over }: DragEndEvent): void => {
      const project = now();
      if (over && over.id !== active.id) change(moveSlot(project, String(active.id), positionOf(project, over.id)));
    },
    [now, change],
  );
  const select = useCallback((slotId: string) => goto({ slotId }), [goto]);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={accessibility}
    >
      <div className="absolute inset-y-0 left-0 w-0" ref={shiftedBesideGutter}>
        <SortableContext items={ids} strategy={horizontalListSortingStrategy}>
          {visible.map(({ slotId, at }) => (
            <Column
              key={slotId}
              slotId={slotId}
              position={at}
              left={edge(at)}
              width={column}
              selected={at === position}
              onSelect={select}
            />
          ))}
        </SortableContext>
      </div>
    </DndContext>
  );
});
