import { withDerived } from './derive';
import { readColumn } from './read-column';
import type { Column, Table } from './table';

const made = new WeakMap<Table, Table>();

const loggedText = (value: number): string => (value > 0 ? String(Math.log(value)) : '');

/** A column of logarithms. Cells that hold no number stay as they are; what is not above 0 has no logarithm and is left out. */
function loggedColumn(column: Column): Column {
  const { used, aside } = readColumn(column);
  const cells = [...column.cells];
  for (const { row, value } of aside) if (value !== undefined) cells[row] = loggedText(value);
  // What lies below a limit lies below its logarithm.
  for (const { row, value, limited } of used)
    cells[row] = `${limited === 'censored' && value > 0 ? '<' : ''}${loggedText(value)}`;
  const { formula: _, ...rest } = column;
  return { ...rest, decimal: 'point', cells, logged: true };
}

/** The table with the natural logarithm of every reading in its place: the same one again for the same table. */
export function logged(table: Table): Table {
  const before = made.get(table);
  if (before) return before;
  const filled = withDerived(table);
  const result = { ...filled, columns: filled.columns.map((c) => (c.role === 'measure' ? loggedColumn(c) : c)) };
  made.set(table, result);
  return result;
}
