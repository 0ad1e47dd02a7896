import { useVirtualizer } from '@tanstack/react-virtual';
import { range } from 'd3-array';
import {
  type ClipboardEvent,
  type KeyboardEvent,
  type RefObject,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { columnsAreGroups } from '../../core/readings/groups';
import type { Table } from '../../core/readings/table';
import { blockFromClipboard, blockToHtml, blockToText } from '../../formats/clipboard';
import type { ColumnChange, HeadHandlers } from './ColumnHead';
import { Heads } from './Heads';
import { type Editing, GridRow, type RowHandlers } from './GridRow';
import { columnWidth, numberWidth, rowHeight } from './measures';
import { type Selection, at, blockOf, moved } from './selection';

export interface GridProps {
  /** With its derived columns computed. */
  table: Table;
  /** The same a moment ago: what takes time to work out of a long column is taken from it. Undefined until it is read. */
  calm: Table | undefined;
  selection: Selection;
  /** Rows picked by a rule, a brush or a search. */
  marked: ReadonlySet<number>;
  onSelect: (selection: Selection) => void;
  /** Writes texts from the cell at (row, column) on. */
  onWrite: (row: number, column: number, texts: string[][]) => void;
  onPaste: (block: string[][], row: number, column: number) => void;
  onUndo: () => void;
  onRedo: () => void;
  onFind: () => void;
  onMoveRows: (by: -1 | 1) => void;
  onMoveColumn: (from: number, to: number) => void;
  onDescribe: (column: string, change: ColumnChange) => void;
  onBrush: (column: string, low: number, high: number) => void;
  onAddColumn: () => void;
  gridRef: RefObject<HTMLDivElement | null>;
}

/** Rows that come into view and leave it together: the list makes a record of each band, and one of every row takes long. */
const band = 4;

/**
 * The editable table. Keyboard as in a spreadsheet; only the rows and columns in sight are drawn, so that its size does
 * not matter to the hand.
 */
export function Grid(props: GridProps) {
  const { table, calm, selection, marked, onSelect, onWrite, gridRef } = props;
  const [editing, setEditing] = useState<Editing>();
  const scroller = useRef<HTMLDivElement>(null);
  const dragging = useRef(false);
  const open = useRef(false);
  // A few empty rows below the last are always there to type into.
  const rows = Math.max(24, table.rowCount + 8);
  const columns = table.columns.length;
  // One empty column past the last: what is typed there makes a column.
  const past = { rows, columns: columns + 1 };
  const [headHeight, setHeadHeight] = useState(0);
  const headRow = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!headRow.current) return;
    const seen = new ResizeObserver(([entry]) => setHeadHeight(Math.ceil(entry?.borderBoxSize[0]?.blockSize ?? 0)));
    seen.observe(headRow.current);
    return () => seen.disconnect();
  }, []);
  /** Where Tab set out from: Enter goes down to that column. */
  const setOut = useRef<number>(undefined);
  const virtual = useVirtualizer({
    count: Math.ceil(rows / band),
    getScrollElement: () => scroller.current,
    estimateSize: () => band * rowHeight,
    overscan: 1,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: columns,
    getScrollElement: () => scroller.current,
    estimateSize: () => columnWidth,
    overscan: 2,
  });
  const inSight = across.getVirtualItems();
  const inView = virtual
    .getVirtualItems()
    .flatMap(({ index }) => range(index * band, Math.min(rows, (index + 1) * band)));
  // Rows that leave the view lend their place on the page to those that come: its parts are filled anew, not built anew.
  const bands = Math.ceil((virtual.scrollRect?.height ?? 0) / (band * rowHeight)) + 3;
  const places = Math.max(inView.length, bands * band);
  const [from, to] = [inSight[0]?.index ?? 0, inSight.at(-1)?.index ?? Math.min(columns, 12) - 1];
  const block = blockOf(selection);
  // The heads follow the hand a moment later, so that moving never waits for them.
  const calmRow = useDeferredValue(selection.row);
  const calmHeads = useDeferredValue(table);
  const isGroup = columnsAreGroups(table);

  // Keys may come before it is known how much can be seen: the row they led to is brought into sight then.
  const isMeasured = (virtual.scrollRect?.height ?? 0) > 0 && headHeight > 0;
  useEffect(() => {
    // A row that is in sight need not be looked for: that would lay out the page before its time.
    if (!isMeasured || !virtual.scrollRect) return;
    const [top, seen] = [selection.row * rowHeight, virtual.scrollOffset ?? 0];
    // The heads stay in sight over the rows, and take their height from what can be seen of them.
    const height = virtual.scrollRect.height - headHeight;
    if (top < seen) virtual.scrollToOffset(top);
    else if (top + rowHeight > seen + height) virtual.scrollToOffset(top + rowHeight - height);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selection.row, isMeasured]);
  useEffect(() => {
    if (!scroller.current || selection.column > columns) return;
    const [left, width] = [scroller.current.scrollLeft, scroller.current.clientWidth - numberWidth];
    const x = selection.column * columnWidth;
    if (x < left) scroller.current.scrollLeft = x;
    else if (x + columnWidth > left + width) scroller.current.scrollLeft = x + columnWidth - width;
  }, [selection.column, columns]);
  useEffect(() => {
    const stop = () => (dragging.current = false);
    window.addEventListener('pointerup', stop);
    return () => window.removeEventListener('pointerup', stop);
  }, []);

  const textAt = (row: number, column: number): string => table.columns[column]?.cells[row] ?? '';
  const selectedTexts = (): string[][] =>
    Array.from({ length: Math.min(block.bottom, Math.max(block.top, table.rowCount - 1)) - block.top + 1 }, (_, r) =>
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

  /** The column a row was begun in by Tab, else the one under the hand. */
  const back = (): number => {
    const column = setOut.current ?? selection.column;
    setOut.current = undefined;
    return column;
  };

  const accept = (key: string, shift: boolean): void => {
    // Leaving the cell by a key also blurs it; it is accepted once.
    if (!editing || !open.current) return;
    open.current = false;
    if (editing.text !== textAt(selection.row, selection.column))
      onWrite(selection.row, selection.column, [[editing.text]]);
    setEditing(undefined);
    const step = { Enter: shift ? 'ArrowUp' : 'ArrowDown', Tab: shift ? 'ArrowLeft' : 'ArrowRight' }[key];
    const from = at(selection.row, key === 'Enter' && !shift ? back() : selection.column);
    const next = step && moved(from, step, { extend: false, far: false, page: 1 }, past);
    if (key === 'Tab') setOut.current ??= selection.column;
    if (next) onSelect(next);
    focusGrid();
  };

  const latest = {
    onDown: (row: number, c: number, e: { target: EventTarget; shiftKey: boolean }) => {
      if (e.target instanceof HTMLInputElement) return;
      if (editing) accept('', false);
      dragging.current = true;
      setOut.current = undefined;
      onSelect(e.shiftKey ? { ...selection, row, column: c } : at(row, c));
    },
    onEnter: (row: number, c: number) => {
      if (dragging.current) onSelect({ ...selection, row, column: c });
    },
    onOpen: (row: number, c: number) => begin(textAt(row, c), false),
    onRow: (row: number, e: { shiftKey: boolean }) =>
      onSelect({ anchorRow: e.shiftKey ? selection.anchorRow : row, anchorColumn: 0, row, column: columns - 1 }),
    onType: (text: string) => setEditing((before) => before && { ...before, text }),
    onKey: (key: string, shift: boolean): boolean => {
      if (key === 'Enter' || key === 'Tab') accept(key, shift);
      else if (key === 'Escape') {
        open.current = false;
        setEditing(undefined);
        focusGrid();
      } else if (editing?.fresh && (key === 'ArrowDown' || key === 'ArrowUp')) accept('Enter', key === 'ArrowUp');
      else return false;
      return true;
    },
    onLeave: () => accept('', false),
    onDescribe: props.onDescribe,
    onBrush: props.onBrush,
    onMove: props.onMoveColumn,
    onPick: (position: number, e: { shiftKey: boolean }) =>
      // The hand stays in the first row, so that choosing a column does not scroll the table away.
      onSelect({
        anchorRow: Math.max(0, table.rowCount - 1),
        row: 0,
        anchorColumn: e.shiftKey ? selection.anchorColumn : position,
        column: position,
      }),
  };
  // Rows keep one set of handlers for good, which call the newest: a row is drawn again only for its own sake.
  const newest = useRef(latest);
  useEffect(() => {
    newest.current = latest;
  });
  const handlers = useMemo<RowHandlers & HeadHandlers>(
    () => ({
      onDown: (row, c, e) => newest.current.onDown(row, c, e),
      onEnter: (row, c) => newest.current.onEnter(row, c),
      onOpen: (row, c) => newest.current.onOpen(row, c),
      onRow: (row, e) => newest.current.onRow(row, e),
      onType: (text) => newest.current.onType(text),
      onKey: (key, shift) => newest.current.onKey(key, shift),
      onLeave: () => newest.current.onLeave(),
      onDescribe: (column, change) => newest.current.onDescribe(column, change),
      onBrush: (column, low, high) => newest.current.onBrush(column, low, high),
      onMove: (from, to) => newest.current.onMove(from, to),
      onPick: (position, e) => newest.current.onPick(position, e),
    }),
    [],
  );

  const nameOf = (column: number): HTMLInputElement | undefined =>
    headRow.current?.querySelector<HTMLInputElement>(`[data-name-of="${column}"]`) ?? undefined;

  const toName = (column: number): void => {
    nameOf(column)?.focus();
    nameOf(column)?.select();
  };

  /** From a name: down into its column, and once it was typed by Tab to the next name. */
  const onHeadKey = (event: KeyboardEvent): void => {
    const { target, key, shiftKey } = event;
    if (!(target instanceof HTMLInputElement) || target.dataset['nameOf'] === undefined) return;
    const column = Number(target.dataset['nameOf']);
    const next = key === 'Tab' ? nameOf(column + (shiftKey ? -1 : 1)) : undefined;
    if (next && target.value !== table.columns[column]?.name) {
      event.preventDefault();
      setOut.current ??= column;
      toName(column + (shiftKey ? -1 : 1));
    } else if (key === 'Enter' || key === 'ArrowDown') {
      event.preventDefault();
      target.blur();
      onSelect(at(0, key === 'Enter' ? (setOut.current ?? column) : column));
      setOut.current = undefined;
      focusGrid();
    }
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if (editing || event.target !== gridRef.current) return;
    const { key, shiftKey, ctrlKey, metaKey, altKey } = event;
    const command = ctrlKey || metaKey;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 400) / rowHeight) - 5);
    const done = (act: () => void): void => {
      event.preventDefault();
      act();
    };
    if (altKey && !command) {
      if (key === 'ArrowUp') return done(() => props.onMoveRows(-1));
      if (key === 'ArrowDown') return done(() => props.onMoveRows(1));
      if (key === 'ArrowLeft') return done(() => props.onMoveColumn(selection.column, selection.column - 1));
      if (key === 'ArrowRight') return done(() => props.onMoveColumn(selection.column, selection.column + 1));
    }
    if (command && !altKey) {
      const lower = key.toLowerCase();
      if (lower === 'z') return done(shiftKey ? props.onRedo : props.onUndo);
      if (lower === 'y') return done(props.onRedo);
      if (lower === 'f') return done(props.onFind);
      if (lower === 'a')
        return done(() =>
          onSelect({ anchorRow: Math.max(0, table.rowCount - 1), anchorColumn: columns - 1, row: 0, column: 0 }),
        );
      if (lower === 'd' && block.bottom > block.top)
        return done(() => {
          const [first = []] = selectedTexts();
          onWrite(
            block.top,
            block.left,
            Array.from({ length: block.bottom - block.top + 1 }, () => first),
          );
        });
      if (key === ' ')
        return done(() => onSelect({ ...selection, anchorRow: Math.max(0, table.rowCount - 1), row: 0 }));
    }
    // Above the first row stand the names.
    if (key === 'ArrowUp' && !shiftKey && !command && selection.row === 0) return done(() => toName(selection.column));
    if (key === ' ' && shiftKey) return done(() => onSelect({ ...selection, anchorColumn: 0, column: columns - 1 }));
    if (key === 'Enter' || key === 'F2') return done(() => begin(textAt(selection.row, selection.column), false));
    if (key === 'Delete' || key === 'Backspace') return done(clear);
    if (key === 'Tab') {
      // Tab walks along the row, and out of the grid at its ends.
      const next = selection.column + (shiftKey ? -1 : 1);
      if (next >= 0 && next <= columns)
        done(() => {
          setOut.current ??= selection.column;
          onSelect(at(selection.row, next));
        });
      return;
    }
    const next = moved(
      selection,
      key,
      { extend: shiftKey, far: command, page },
      command
        ? { rows: Math.max(1, table.rowCount), columns }
        : !shiftKey && (key === 'ArrowRight' || selection.column >= columns)
          ? past
          : { rows, columns },
    );
    if (next)
      return done(() => {
        setOut.current = undefined;
        onSelect(next);
      });
    if (key.length === 1 && !command && !altKey) done(() => begin(key, true));
  };

  // The browser may aim a paste at whatever the page's selection stands in, so only fields are passed over.
  const inField = (event: ClipboardEvent): boolean => event.target instanceof HTMLInputElement;
  const onCopy = (event: ClipboardEvent, cut: boolean): void => {
    if (editing || inField(event)) return;
    event.preventDefault();
    const texts = selectedTexts();
    event.clipboardData.setData('text/plain', blockToText(texts));
    event.clipboardData.setData('text/html', blockToHtml(texts));
    if (cut) clear();
  };
  const onPasteEvent = (event: ClipboardEvent): void => {
    if (editing || inField(event)) return;
    event.preventDefault();
    const found = blockFromClipboard(event.clipboardData);
    if (found) props.onPaste(found, block.top, block.left);
  };

  const width = numberWidth + (columns + 1) * columnWidth;
  return (
    <div ref={scroller} className="h-full overflow-auto border-y border-line" data-testid="grid-scroller">
      <div
        ref={gridRef}
        role="grid"
        aria-label="Readings"
        aria-multiselectable
        aria-rowcount={rows + 1}
        aria-colcount={columns + 2}
        aria-activedescendant={columns > 0 ? `cell-${selection.row}-${selection.column}` : undefined}
        tabIndex={0}
        className="relative outline-none"
        style={{ width }}
        onKeyDown={onKeyDown}
        onCopy={(e) => onCopy(e, false)}
        onCut={(e) => onCopy(e, true)}
        onPaste={onPasteEvent}
      >
        <div
          ref={headRow}
          role="row"
          aria-rowindex={1}
          className="sticky top-0 z-10 flex border-b border-line bg-base-100"
          onKeyDown={onHeadKey}
        >
          <div role="columnheader" className="sticky left-0 z-10 shrink-0 bg-base-100" style={{ width: numberWidth }}>
            <span className="sr-only">Row</span>
          </div>
          <div aria-hidden style={{ width: from * columnWidth }} className="shrink-0" />
          <Heads
            table={calmHeads}
            calm={calm}
            from={from}
            to={to}
            left={block.left}
            right={block.right}
            marked={marked}
            activeRow={calmRow}
            activeColumn={selection.column}
            handlers={handlers}
          />
          <div aria-hidden style={{ width: Math.max(0, columns - 1 - to) * columnWidth }} className="shrink-0" />
          <div role="columnheader" className="flex items-start px-2 py-1.5">
            <button type="button" className="plain-button text-sm whitespace-nowrap" onClick={props.onAddColumn}>
              {isGroup ? '+ Group' : '+ Column'}
            </button>
          </div>
        </div>
        <div role="rowgroup" className="relative" style={{ height: rows * rowHeight }}>
          {inView.map((row) => {
            const within = row >= block.top && row <= block.bottom;
            const active = row === selection.row;
            return (
              <GridRow
                key={row % places}
                table={table}
                calm={calm}
                row={row}
                from={from}
                to={to}
                left={within ? block.left : undefined}
                right={within ? block.right : undefined}
                active={active ? selection.column : undefined}
                marked={marked.has(row)}
                editing={active ? editing : undefined}
                handlers={handlers}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}
