import { useVirtualizer } from '@tanstack/react-virtual';
import { type ClipboardEvent, type KeyboardEvent, type RefObject, useEffect, useRef, useState } from 'react';
import { unreadRows } from '../../core/readings/read-column';
import type { Table } from '../../core/readings/table';
import { blockFromText, blockToText } from '../../formats/clipboard';
import { ColumnHead } from './ColumnHead';
import { type Selection, at, blockOf, moved } from './selection';

const rowHeight = 26;
const columnWidth = 148;
const numberWidth = 52;

export interface GridProps {
  table: Table;
  selection: Selection;
  onSelect: (selection: Selection) => void;
  /** Writes texts from the cell at (row, column) on. */
  onWrite: (row: number, column: number, texts: string[][]) => void;
  onPaste: (block: string[][], row: number, column: number) => void;
  onUndo: () => void;
  onRedo: () => void;
  onDescribe: (column: string, change: { name?: string; unit?: string; decimal?: 'auto' | 'point' | 'comma' }) => void;
  onRemoveColumn: (column: string) => void;
  onAddColumn: () => void;
  gridRef: RefObject<HTMLDivElement | null>;
}

/** The editable table: one column a group. Keyboard as in a spreadsheet; only the rows in sight are drawn. */
export function Grid(props: GridProps) {
  const { table, selection, onSelect, onWrite, gridRef } = props;
  const [editing, setEditing] = useState<{ text: string; fresh: boolean }>();
  const scroller = useRef<HTMLDivElement>(null);
  const dragging = useRef(false);
  const open = useRef(false);
  // A few empty rows below the last are always there to type into.
  const rows = Math.max(24, table.rowCount + 8);
  const columns = table.columns.length;
  const size = { rows, columns };
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  const block = blockOf(selection);

  useEffect(() => {
    virtual.scrollToIndex(selection.row, { align: 'auto' });
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selection.row]);
  useEffect(() => {
    const stop = () => (dragging.current = false);
    window.addEventListener('pointerup', stop);
    return () => window.removeEventListener('pointerup', stop);
  }, []);

  const textAt = (row: number, column: number): string => table.columns[column]?.cells[row] ?? '';
  const selectedTexts = (): string[][] =>
    Array.from({ length: block.bottom - block.top + 1 }, (_, r) =>
      Array.from({ length: block.right - block.left + 1 }, (__, c) => textAt(block.top + r, block.left + c)),
    );
  const clear = (): void => {
    const texts = selectedTexts();
    if (texts.some((r) => r.some((t) => t !== '')))
      onWrite(
        block.top,
        block.left,
        texts.map((r) => r.map(() => '')),
      );
  };
  const begin = (text: string, fresh: boolean): void => {
    open.current = true;
    setEditing({ text, fresh });
  };
  const focusGrid = (): void => gridRef.current?.focus({ preventScroll: true });

  const accept = (key: string, shift: boolean): void => {
    // Leaving the cell by a key also blurs it; it is accepted once.
    if (!editing || !open.current) return;
    open.current = false;
    if (editing.text !== textAt(selection.row, selection.column))
      onWrite(selection.row, selection.column, [[editing.text]]);
    setEditing(undefined);
    const step = { Enter: shift ? 'ArrowUp' : 'ArrowDown', Tab: shift ? 'ArrowLeft' : 'ArrowRight' }[key];
    const next = step && moved(at(selection.row, selection.column), step, { extend: false, far: false, page: 1 }, size);
    if (next) onSelect(next);
    focusGrid();
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if (editing || event.target !== gridRef.current) return;
    const { key, shiftKey, ctrlKey, metaKey, altKey } = event;
    const command = ctrlKey || metaKey;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 400) / rowHeight) - 2);
    const done = (act: () => void): void => {
      event.preventDefault();
      act();
    };
    if (command && !altKey) {
      const lower = key.toLowerCase();
      if (lower === 'z') return done(shiftKey ? props.onRedo : props.onUndo);
      if (lower === 'y') return done(props.onRedo);
      if (lower === 'a')
        return done(() =>
          onSelect({ anchorRow: 0, anchorColumn: 0, row: Math.max(0, table.rowCount - 1), column: columns - 1 }),
        );
      if (lower === 'd' && block.bottom > block.top)
        return done(() => {
          const [first = []] = selectedTexts();
          onWrite(
            block.top,
            block.left,
            selectedTexts().map(() => first),
          );
        });
    }
    if (key === 'Enter' || key === 'F2') return done(() => begin(textAt(selection.row, selection.column), false));
    if (key === 'Delete' || key === 'Backspace') return done(clear);
    if (key === 'Tab') {
      // Tab walks along the row, and out of the grid at its ends.
      const next = selection.column + (shiftKey ? -1 : 1);
      if (next >= 0 && next < columns) done(() => onSelect(at(selection.row, next)));
      return;
    }
    const next = moved(
      selection,
      key,
      { extend: shiftKey, far: command, page },
      { rows: command ? Math.max(1, table.rowCount) : rows, columns },
    );
    if (next) return done(() => onSelect(next));
    if (key.length === 1 && !command && !altKey) done(() => begin(key, true));
  };

  const onCopy = (event: ClipboardEvent, cut: boolean): void => {
    if (editing || event.target !== gridRef.current) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', blockToText(selectedTexts()));
    if (cut) clear();
  };
  const onPasteEvent = (event: ClipboardEvent): void => {
    if (editing || event.target !== gridRef.current) return;
    event.preventDefault();
    const text = event.clipboardData.getData('text/plain');
    if (text) props.onPaste(blockFromText(text), block.top, block.left);
  };

  const width = numberWidth + columns * columnWidth + 120;
  return (
    <div ref={scroller} className="h-full overflow-auto border-y border-line" data-testid="grid-scroller">
      <div
        ref={gridRef}
        role="grid"
        aria-label="Readings"
        aria-multiselectable
        aria-rowcount={rows + 1}
        aria-colcount={columns + 1}
        aria-activedescendant={columns > 0 ? `cell-${selection.row}-${selection.column}` : undefined}
        tabIndex={0}
        className="relative outline-none"
        style={{ width }}
        onKeyDown={onKeyDown}
        onCopy={(e) => onCopy(e, false)}
        onCut={(e) => onCopy(e, true)}
        onPaste={onPasteEvent}
      >
        <div role="row" aria-rowindex={1} className="sticky top-0 z-10 flex border-b border-line bg-base-100">
          <div role="columnheader" className="sticky left-0 z-10 shrink-0 bg-base-100" style={{ width: numberWidth }}>
            <span className="sr-only">Row</span>
          </div>
          {table.columns.map((column, index) => (
            <ColumnHead
              key={column.id}
              column={column}
              position={index}
              width={columnWidth}
              onDescribe={(change) => props.onDescribe(column.id, change)}
              onRemove={() => props.onRemoveColumn(column.id)}
            />
          ))}
          <div role="columnheader" className="flex items-start px-2 py-1.5">
            <button type="button" className="plain-button text-sm whitespace-nowrap" onClick={props.onAddColumn}>
              + Group
            </button>
          </div>
        </div>
        <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = item.index;
            return (
              <div
                key={row}
                role="row"
                aria-rowindex={row + 2}
                className="absolute flex"
                style={{ height: rowHeight, transform: `translateY(${item.start}px)` }}
              >
                <div
                  role="rowheader"
                  className="sticky left-0 z-[5] shrink-0 bg-base-100 pr-3 text-right text-[13px] leading-[26px] text-muted select-none"
                  style={{ width: numberWidth }}
                  onPointerDown={() => {
                    onSelect({ anchorRow: row, anchorColumn: 0, row, column: columns - 1 });
                  }}
                >
                  {row + 1}
                </div>
                {table.columns.map((column, c) => {
                  const active = row === selection.row && c === selection.column;
                  const selected = row >= block.top && row <= block.bottom && c >= block.left && c <= block.right;
                  const text = column.cells[row] ?? '';
                  const reason = column.aside[row];
                  const unread = unreadRows(column).get(row);
                  const tone = reason !== undefined ? 'text-muted line-through' : unread ? 'text-warning' : '';
                  return (
                    <div
                      key={column.id}
                      id={`cell-${row}-${c}`}
                      role="gridcell"
                      aria-colindex={c + 2}
                      aria-selected={selected}
                      title={
                        reason !== undefined
                          ? `Set aside: ${reason || 'no reason given'}`
                          : unread
                            ? `“${text}” ${unread}`
                            : undefined
                      }
                      className={`relative overflow-hidden border-r border-b border-line/60 px-2 text-right leading-[25px] whitespace-nowrap select-none ${tone} ${selected ? 'bg-primary/10' : ''} ${active ? 'outline-2 -outline-offset-2 outline-primary' : ''}`}
                      style={{ width: columnWidth, flexShrink: 0 }}
                      onPointerDown={(e) => {
                        if (e.target instanceof HTMLInputElement) return;
                        if (editing) accept('', false);
                        dragging.current = true;
                        onSelect(e.shiftKey ? { ...selection, row, column: c } : at(row, c));
                      }}
                      onPointerEnter={() => dragging.current && onSelect({ ...selection, row, column: c })}
                      onDoubleClick={() => begin(text, false)}
                    >
                      {active && editing ? (
                        <input
                          className="absolute inset-0 w-full bg-base-100 px-2 text-right outline-2 -outline-offset-2 outline-primary"
                          aria-label={`${column.name}, row ${row + 1}`}
                          autoFocus
                          value={editing.text}
                          onFocus={(e) => e.target.setSelectionRange(editing.text.length, editing.text.length)}
                          onChange={(e) => setEditing({ ...editing, text: e.target.value })}
                          onBlur={() => accept('', false)}
                          onKeyDown={(e) => {
                            if (e.key === 'Enter' || e.key === 'Tab') {
                              e.preventDefault();
                              accept(e.key, e.shiftKey);
                            } else if (e.key === 'Escape') {
                              open.current = false;
                              setEditing(undefined);
                              focusGrid();
                            } else if (editing.fresh && (e.key === 'ArrowDown' || e.key === 'ArrowUp')) {
                              e.preventDefault();
                              accept('Enter', e.key === 'ArrowUp');
                            }
                          }}
                        />
                      ) : (
                        text
                      )}
                    </div>
                  );
                })}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}
