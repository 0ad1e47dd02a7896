/** Where the hands are in the grid: the active cell, and the corner a selection was drawn from. Rows and columns from 0. */
export interface Selection {
  row: number;
  column: number;
  anchorRow: number;
  anchorColumn: number;
}

export interface Block {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

export const at = (row: number, column: number): Selection => ({ row, column, anchorRow: row, anchorColumn: column });

/** The block of cells a selection covers, ends included. */
export const blockOf = (s: Selection): Block => ({
  top: Math.min(s.row, s.anchorRow),
  bottom: Math.max(s.row, s.anchorRow),
  left: Math.min(s.column, s.anchorColumn),
  right: Math.max(s.column, s.anchorColumn),
});

/** The selection after a key that moves it; `extend` keeps the anchor, as Shift does. */
export function moved(
  s: Selection,
  key: string,
  { extend, far, page }: { extend: boolean; far: boolean; page: number },
  { rows, columns }: { rows: number; columns: number },
): Selection | undefined {
  const jump = far ? Infinity : 1;
  const steps: Record<string, [number, number]> = {
    ArrowUp: [-jump, 0],
    ArrowDown: [jump, 0],
    ArrowLeft: [0, -jump],
    ArrowRight: [0, jump],
    PageUp: [-page, 0],
    PageDown: [page, 0],
    Home: [far ? -Infinity : 0, -Infinity],
    End: [far ? Infinity : 0, Infinity],
  };
  const step = steps[key];
  if (!step) return undefined;
  const row = Math.min(rows - 1, Math.max(0, s.row + step[0]));
  const column = Math.min(columns - 1, Math.max(0, s.column + step[1]));
  return extend ? { ...s, row, column } : at(row, column);
}
