import { arrayMove } from '@dnd-kit/sortable';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { IconButton } from './IconButton';
import { Sorting } from './Sorting';

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
  const step = (by: -1 | 1, words: string, icon: typeof ArrowUp) => (
    <IconButton
      name={`${name} ${words}`}
      says={words}
      icon={icon}
      size={14}
      disabled={!(at + by in ids)}
      onClick={() => onOrder(arrayMove([...ids], at, at + by))}
    />
  );
  return (
    <>
      {step(-1, 'earlier', ArrowUp)}
      {step(1, 'later', ArrowDown)}
    </>
  );
}

/** A list in an order of one's own, each line with a grip and its steps. */
export const Ordered = ({ ids, name, onOrder, children }: Props) => (
  <Sorting ids={ids} name={name} onMove={(from, to) => onOrder(arrayMove([...ids], from, to))}>
    {(id, { ref, style, lifted, drag, grip }) => (
      <div ref={ref} className={lifted ? 'relative z-10 bg-base-200' : undefined} style={style}>
        {children(
          id,
          <>
            <button
              type="button"
              className="plain-button cursor-grab touch-none"
              {...grip}
              {...drag}
              aria-label={`Move ${name(id)}`}
            >
              <GripVertical size={14} aria-hidden />
            </button>
            <Steps ids={ids} id={id} name={name(id)} onOrder={onOrder} />
          </>,
        )}
      </div>
    )}
  </Sorting>
);
