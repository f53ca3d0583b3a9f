import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type Announcements,
  type DraggableSyntheticListeners,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import type { ComponentType, ReactNode } from 'react';

// Only fetched through dragging.ts, so that the package that drags is one file for all rooms.

/** The room itself says where a thing was put: the package of the drag adds nothing. */
const SILENT: Announcements = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

type Hold = { ref: (node: unknown) => void; listeners: DraggableSyntheticListeners };
type DraggedProps = { id: string; disabled: boolean; children: (hold: Hold) => ReactNode };
/** A thing on a `DragPlane`. */
export type Dragged = ComponentType<DraggedProps>;

function Thing({ id, disabled, children }: DraggedProps) {
  const { setNodeRef, listeners } = useDraggable({ id, disabled });
  return children({ ref: setNodeRef as Hold['ref'], listeners });
}

/** A plane on which things are held and drawn up or down; held for a moment first, so that a thumb can still scroll. */
export function DragPlane({
  howTo,
  onStart,
  onMove,
  onEnd,
  onCancel,
  children,
}: {
  howTo: string;
  onStart: (id: string) => void;
  /** px down since it was taken */
  onMove: (id: string, px: number) => void;
  onEnd: (id: string, px: number) => void;
  onCancel: () => void;
  children: (thing: Dragged) => ReactNode;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { delay: 160, tolerance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 220, tolerance: 8 } }),
  );
  return (
    <DndContext
      accessibility={{ screenReaderInstructions: { draggable: howTo }, announcements: SILENT }}
      sensors={sensors}
      onDragStart={({ active }) => onStart(String(active.id))}
      onDragMove={({ active, delta }) => onMove(String(active.id), delta.y)}
      onDragEnd={({ active, delta }) => onEnd(String(active.id), delta.y)}
      onDragCancel={onCancel}
    >
      {children(Thing)}
    </DndContext>
  );
}

type Grip = {
  row: (node: unknown) => void;
  handle: (node: unknown) => void;
  /** of the handle */
  props: object;
  /** px that the row stands below its place */
  shiftPx: number | undefined;
  held: boolean;
};
type RowProps = { id: string; children: (grip: Grip) => ReactNode };
/** A row of a `SortList`. */
export type SortRow = ComponentType<RowProps>;

function SortableRow({ id, children }: RowProps) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, isDragging } = useSortable({ id });
  return children({
    row: setNodeRef as Grip['row'],
    handle: setActivatorNodeRef as Grip['handle'],
    props: { ...attributes, ...listeners },
    shiftPx: transform?.y,
    held: isDragging,
  });
}

/** Rows that are brought into another order by thumb, mouse, or space and arrows. */
export function SortList({
  ids,
  says,
  onMove,
  children,
}: {
  ids: readonly string[];
  /** what a screen reader is told; places count from 1, 0 is no place */
  says: { taken: (at: number) => string; over: (at: number) => string; dropped: (at: number) => string; back: string };
  /** to a place that counts from 0 */
  onMove: (id: string, to: number) => void;
  children: (row: SortRow) => ReactNode;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const at = (id: string | number) => ids.indexOf(String(id)) + 1;
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        screenReaderInstructions: { draggable: '' },
        announcements: {
          onDragStart: ({ active }) => says.taken(at(active.id)),
          onDragOver: ({ over }) => (over ? says.over(at(over.id)) : undefined),
          onDragEnd: ({ over, active }) => says.dropped(at(over?.id ?? active.id)),
          onDragCancel: () => says.back,
        },
      }}
      onDragEnd={({ active, over }) => {
        if (over && over.id !== active.id) onMove(String(active.id), at(over.id) - 1);
      }}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children(SortableRow)}
      </SortableContext>
    </DndContext>
  );
}
