import { DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import { type ReactNode, useId } from 'react';

interface Props {
  /** In their order. */
  ids: readonly string[];
  /** What each is called. */
  name: (id: string) => string;
  onOrder: (ids: string[]) => void;
  /** One of them. @param moving what moves it, to stand where it is wanted */
  children: (id: string, moving: ReactNode) => ReactNode;
}

/** One thing moved a place at a time. */
export function Steps({ ids, id, name, onOrder }: Pick<Props, 'ids' | 'onOrder'> & { id: string; name: string }) {
  const at = ids.indexOf(id);
  if (at < 0) return null;
  const step = (by: -1 | 1, words: string, Icon: typeof ArrowUp) => (
    <button
      type="button"
      className="plain-button"
      aria-label={`${name} ${words}`}
      disabled={!(at + by in ids)}
      onClick={() => onOrder(arrayMove([...ids], at, at + by))}
    >
      <Icon size={14} aria-hidden />
    </button>
  );
  return (
    <>
      {step(-1, 'earlier', ArrowUp)}
      {step(1, 'later', ArrowDown)}
    </>
  );
}

function One({ id, ids, name, onOrder, children }: Props & { id: string }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return (
    <div
      ref={setNodeRef}
      className={isDragging ? 'relative z-10 bg-base-200' : undefined}
      style={transform ? { transform: `translateY(${Math.round(transform.y)}px)`, transition } : undefined}
    >
      {children(
        id,
        <>
          <button
            type="button"
            ref={setActivatorNodeRef}
            className="plain-button cursor-grab touch-none"
            {...attributes}
            {...listeners}
            aria-label={`Move ${name(id)}`}
          >
            <GripVertical size={14} aria-hidden />
          </button>
          <Steps ids={ids} id={id} name={name(id)} onOrder={onOrder} />
        </>,
      )}
    </div>
  );
}

/** Things in an order of one's own: dragged by pointer or touch, by keys (Space, arrows, Space), or moved a step at a time. */
export function Ordered(props: Props) {
  const { ids, name, onOrder } = props;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const place = (id: string | number): string => `place ${ids.indexOf(String(id)) + 1} of ${ids.length}`;
  const called = (id: string | number): string => name(String(id));
  const end = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id)
      onOrder(arrayMove([...ids], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext
      id={useId()}
      sensors={sensors}
      onDragEnd={end}
      accessibility={{
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
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {ids.map((id) => (
          <One key={id} {...props} id={id} />
        ))}
      </SortableContext>
    </DndContext>
  );
}
