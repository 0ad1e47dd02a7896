/** Things in an order of one's own, moved by pointer, touch or keys. */
import {
  DndContext,
  type DragEndEvent,
  type DraggableAttributes,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  horizontalListSortingStrategy,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import {
  type CSSProperties,
  type KeyboardEvent,
  type KeyboardEventHandler,
  type PointerEvent,
  type PointerEventHandler,
  type ReactNode,
  useId,
} from 'react';

/** What moves one of them. */
export interface Moving {
  /** Of the whole of it. */
  ref: (element: HTMLElement | null) => void;
  style: CSSProperties | undefined;
  lifted: boolean;
  /** Begins a drag wherever these stand: on the whole of it, or on a grip. */
  drag: { onPointerDown?: PointerEventHandler };
  /** What a grip has besides, that keys lift it too. */
  grip: DraggableAttributes & { ref: (element: HTMLElement | null) => void; onKeyDown?: KeyboardEventHandler };
  /** Moves it by Alt and an arrow, whatever within it has the focus. */
  onKeyDown: (event: KeyboardEvent) => void;
}

interface Props {
  /** In their order. */
  ids: readonly string[];
  /** What each is called. */
  name: (id: string) => string;
  /** Those of them that stand on the page, where not all do. */
  shown?: readonly string[];
  /** Whether they stand side by side. */
  across?: boolean;
  onMove: (from: number, to: number) => void;
  children: (id: string, moving: Moving) => ReactNode;
}

/** A pointer that leaves what is typed into, chosen from or drawn over to itself. */
class Pointer extends PointerSensor {
  static override activators: (typeof PointerSensor)['activators'] = [
    {
      eventName: 'onPointerDown',
      handler: ({ nativeEvent: event }: PointerEvent) =>
        event.isPrimary &&
        event.button === 0 &&
        !(event.target instanceof Element && event.target.closest('input, select, textarea, [data-own-drag]')),
    },
  ];
}

function One({ id, ids, across = false, onMove, children }: Props & { id: string }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const [x, y] = transform ? [Math.round(transform.x), Math.round(transform.y)] : [0, 0];
  const step = (event: KeyboardEvent) => {
    const by = { [across ? 'ArrowLeft' : 'ArrowUp']: -1, [across ? 'ArrowRight' : 'ArrowDown']: 1 }[event.key];
    const to = ids.indexOf(id) + (by ?? 0);
    if (by === undefined || !event.altKey || !(to in ids)) return;
    event.preventDefault();
    onMove(ids.indexOf(id), to);
  };
  return children(id, {
    ref: setNodeRef,
    style: transform ? { transform: across ? `translateX(${x}px)` : `translateY(${y}px)`, transition } : undefined,
    lifted: isDragging,
    drag: { onPointerDown: listeners?.['onPointerDown'] as PointerEventHandler },
    grip: { ...attributes, ref: setActivatorNodeRef, onKeyDown: listeners?.['onKeyDown'] as KeyboardEventHandler },
    onKeyDown: step,
  });
}

export function Sorting(props: Props) {
  const { ids, shown = ids, name, across = false, onMove } = props;
  const sensors = useSensors(
    useSensor(Pointer, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const place = (id: string | number): string => `place ${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  const called = (id: string | number): string => name(String(id));
  const end = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
  };
  return (
    <DndContext
      id={useId()}
      sensors={sensors}
      onDragEnd={end}
      accessibility={{
        // What is said to who cannot see the drag stands outside lists and rows, which hold nothing but their own.
        ...(typeof document === 'undefined' ? {} : { container: document.body }),
        screenReaderInstructions: {
          draggable: 'Space lifts it, the arrows move it, Space sets it down, Esc leaves it.',
        },
        announcements: {
          onDragStart: ({ active }) => `${called(active.id)} is lifted.`,
          onDragOver: ({ active, over }) => (over ? `${called(active.id)} is at ${place(over.id)}.` : undefined),
          onDragEnd: ({ active, over }) => `${called(active.id)} is set down${over ? ` at ${place(over.id)}` : ''}.`,
          onDragCancel: ({ active }) => `${called(active.id)} is back where it was.`,
        },
      }}
    >
      <SortableContext items={[...ids]} strategy={across ? horizontalListSortingStrategy : verticalListSortingStrategy}>
        {shown.map((id) => (
          <One key={id} {...props} id={id} />
        ))}
      </SortableContext>
    </DndContext>
  );
}
