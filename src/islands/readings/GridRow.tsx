import { type PointerEvent, memo } from 'react';
import { unreadRows } from '../../core/readings/read-column';
import { type Column, type Table, emptyColumn, isMeasured } from '../../core/readings/table';
import { columnWidth, numberWidth, rowHeight } from './measures';

/** What is being typed into the active cell. `fresh` means that typing began it, so that arrows leave it. */
export interface Editing {
  text: string;
  fresh: boolean;
}

export interface RowHandlers {
  onDown: (row: number, column: number, event: PointerEvent) => void;
  onEnter: (row: number, column: number) => void;
  onOpen: (row: number, column: number) => void;
  onRow: (row: number, event: PointerEvent) => void;
  onType: (text: string) => void;
  onKey: (key: string, shift: boolean) => boolean;
  onLeave: () => void;
}

/** The empty place past the last column: what is typed there makes a column. */
const pastTheLast = emptyColumn('', 'A new column');

const isText = ({ role }: Column): boolean => !isMeasured(role);

function toneOf(column: Column, calm: Column | undefined, row: number): { tone: string; title: string | undefined } {
  const reason = column.aside[row];
  if (reason !== undefined)
    return { tone: 'text-muted line-through', title: `Set aside: ${reason || 'no reason given'}` };
  const why = isText(column) || !calm || calm.cells[row] !== column.cells[row] ? undefined : unreadRows(calm).get(row);
  if (why) return { tone: 'text-warning', title: `“${column.cells[row] ?? ''}” ${why}` };
  return column.formula ? { tone: 'italic text-muted', title: undefined } : { tone: '', title: undefined };
}

interface Props {
  table: Table;
  /** The table as it was a moment ago, whose columns are read as numbers already. */
  calm: Table | undefined;
  row: number;
  /** Columns drawn, ends included. */
  from: number;
  to: number;
  /** Selected columns in this row, ends included; undefined when none. */
  left: number | undefined;
  right: number | undefined;
  active: number | undefined;
  marked: boolean;
  editing: Editing | undefined;
  handlers: RowHandlers;
}

/** One row of the grid. Drawn again only when something in it changed. */
export const GridRow = memo(function GridRow(props: Props) {
  const { table, calm, row, from, to, left, right, active, marked, editing, handlers } = props;
  return (
    <div
      role="row"
      aria-rowindex={row + 2}
      className="absolute flex"
      style={{ height: rowHeight, transform: `translateY(${row * rowHeight}px)` }}
    >
      <div
        role="rowheader"
        className={`sticky left-0 z-[5] shrink-0 pr-3 text-right text-[13px] leading-[26px] select-none ${marked ? 'bg-base-300 font-semibold' : 'bg-base-100 text-muted'}`}
        style={{ width: numberWidth }}
        onPointerDown={(e) => handlers.onRow(row, e)}
      >
        {row + 1}
      </div>
      <div aria-hidden style={{ width: from * columnWidth }} className="shrink-0" />
      {[...table.columns.slice(from, to + 1), ...(to + 1 >= table.columns.length ? [pastTheLast] : [])].map(
        (column, k) => {
          const c = from + k;
          const isActive = c === active;
          const selected = left !== undefined && right !== undefined && c >= left && c <= right;
          const { tone, title } = toneOf(column, calm?.columns[c]?.id === column.id ? calm.columns[c] : undefined, row);
          const text = column.cells[row] ?? '';
          return (
            <div
              key={column.id}
              id={`cell-${row}-${c}`}
              role="gridcell"
              aria-colindex={c + 2}
              aria-selected={selected}
              title={title}
              className={`relative overflow-hidden px-2 ${column === pastTheLast ? '' : 'border-r border-b border-line/60'} leading-[25px] whitespace-nowrap select-none ${isText(column) ? 'text-left' : 'text-right'} ${tone} ${selected ? 'bg-primary/10' : marked ? 'bg-base-200' : ''} ${isActive ? 'outline-2 -outline-offset-2 outline-primary' : ''}`}
              style={{ width: columnWidth, flexShrink: 0 }}
              onPointerDown={(e) => handlers.onDown(row, c, e)}
              onPointerEnter={() => handlers.onEnter(row, c)}
              onDoubleClick={() => handlers.onOpen(row, c)}
            >
              {isActive && editing ? (
                <input
                  className={`absolute inset-0 w-full bg-base-100 px-2 outline-2 -outline-offset-2 outline-primary ${isText(column) ? 'text-left' : 'text-right'}`}
                  aria-label={`${column.name}, row ${row + 1}`}
                  autoFocus
                  value={editing.text}
                  onFocus={(e) => e.target.setSelectionRange(editing.text.length, editing.text.length)}
                  onChange={(e) => handlers.onType(e.target.value)}
                  onBlur={handlers.onLeave}
                  onKeyDown={(e) => {
                    if (handlers.onKey(e.key, e.shiftKey)) e.preventDefault();
                  }}
                />
              ) : (
                text
              )}
            </div>
          );
        },
      )}
    </div>
  );
});
