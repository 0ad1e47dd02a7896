/** Things in an order of one's own, moved by pointer, touch or keys. */
import {
  DndContext,
  type DragEndEvent,
  type DraggableAttributes,
  KeyboardSensor,
  PointerSensor,
  TouchSensor,
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
  type TouchEvent,
  type TouchEventHandler,
  useId,
} from 'react';

/** What moves one of them. */
export interface Moving {
  /** Of the whole of it. */
  ref: (element: HTMLElement | null) => void;
  style: CSSProperties | undefined;
  lifted: boolean;
  /** Begins a drag wherever these stand: on the whole of it, or on a grip. */
  drag: { onPointerDown?: PointerEventHandler; onTouchStart?: TouchEventHandler };
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

/** What is typed into, chosen from or drawn over is left to itself. */
const isFree = (target: EventTarget): boolean =>
  !(target instanceof Element && target.closest('input, select, textarea, [data-own-drag]'));

/** Whether a finger on it does nothing else than drag it, as on a grip; elsewhere it scrolls. */
const isGrip = (element: Element): boolean => getComputedStyle(element).touchAction === 'none';

/** A mouse or pen anywhere on a thing, a finger on its grip. */
class Pointer extends PointerSensor {
  static override activators: (typeof PointerSensor)['activators'] = [
    {
      eventName: 'onPointerDown',
      handler: ({ nativeEvent: event, currentTarget }: PointerEvent) =>
        event.isPrimary &&
        event.button === 0 &&
        isFree(event.target ?? currentTarget) &&
        (event.pointerType !== 'touch' || isGrip(currentTarget)),
    },
  ];
}

/** A finger that rests on a thing lifts it; one that moves on scrolls. */
class Finger extends TouchSensor {
  static override activators: (typeof TouchSensor)['activators'] = [
    {
      eventName: 'onTouchStart',
      handler: ({ nativeEvent: event, currentTarget }: TouchEvent) =>
        event.touches.length === 1 && isFree(event.target ?? currentTarget) && !isGrip(currentTarget),
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
    drag: {
      onPointerDown: listeners?.['onPointerDown'] as PointerEventHandler,
      onTouchStart: listeners?.['onTouchStart'] as TouchEventHandler,
    },
    grip: { ...attributes, ref: setActivatorNodeRef, onKeyDown: listeners?.['onKeyDown'] as KeyboardEventHandler },
    onKeyDown: step,
  });
}

export function Sorting(props: Props) {
  const { ids, shown = ids, name, across = false, onMove } = props;
  const sensors = useSensors(
    useSensor(Pointer, { activationConstraint: { distance: 5 } }),
    useSensor(Finger, { activationConstraint: { delay: 250, tolerance: 8 } }),
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
