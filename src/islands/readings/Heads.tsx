import { memo, useMemo } from 'react';
import { columnsAreGroups } from '../../core/readings/groups';
import type { Table } from '../../core/readings/table';
import { Sorting } from '../kit/Sorting';
import { ColumnHead, type HeadHandlers } from './ColumnHead';
import { columnWidth } from './measures';

interface Props {
  table: Table;
  /** The same a moment ago, with its columns looked through. */
  calm: Table | undefined;
  /** The columns in sight, and those selected. */
  from: number;
  to: number;
  left: number;
  right: number;
  marked: ReadonlySet<number>;
  /** The cell under the hand. */
  activeRow: number;
  activeColumn: number;
  handlers: HeadHandlers;
}

/** The colour of each column that is a group of its own. */
function coloursOf(table: Table): (number | undefined)[] {
  let group = -1;
  const isGroup = columnsAreGroups(table);
  return table.columns.map((column) => {
    if (!isGroup || column.role !== 'measure') return undefined;
    group += 1;
    return column.colour ?? group;
  });
}

/** The heads of the columns in sight, dragged into another order by what of them is not typed into. */
export const Heads = memo(function Heads({ table, calm, from, to, left, right, handlers, ...props }: Props) {
  const ids = useMemo(() => table.columns.map((c) => c.id), [table.columns]);
  const colours = useMemo(() => coloursOf(table), [table]);
  return (
    <Sorting
      across
      ids={ids}
      shown={ids.slice(from, to + 1)}
      name={(id) => table.columns[ids.indexOf(id)]?.name ?? ''}
      onMove={handlers.onMove}
    >
      {(id, moving) => {
        const position = ids.indexOf(id);
        const column = table.columns[position];
        if (!column) return null;
        const known = calm?.columns[position];
        const seen = known?.id === id ? known : undefined;
        const look = moving.lifted
          ? 'relative z-20 bg-base-200'
          : position >= left && position <= right
            ? 'bg-primary/5'
            : '';
        return (
          <div
            role="columnheader"
            aria-colindex={position + 2}
            ref={moving.ref}
            className={`shrink-0 border-r border-line/60 px-[7px] pt-1 ${look}`}
            style={{ width: columnWidth, ...moving.style }}
            {...moving.drag}
          >
            <ColumnHead
              column={seen ?? column}
              read={seen !== undefined}
              position={position}
              colour={colours[position]}
              isGroup={colours[position] !== undefined}
              marked={props.marked}
              active={position === props.activeColumn ? props.activeRow : -1}
              handlers={handlers}
            />
          </div>
        );
      }}
    </Sorting>
  );
});
