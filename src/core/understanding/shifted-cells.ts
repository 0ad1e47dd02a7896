/** Rows whose cells stand one place too far to the right: one reaches beyond the last name, and one within is empty. */
import { textAt } from '../readings/cell-at';

/** Of so many rows one may have slipped. */
const oneIn = 10;

/** The column beyond the names, and the rows that reach into it, each with the place of the empty cell it was pushed from. */
export interface Shifted {
  beyond: number;
  rows: { row: number; empty: number }[];
}

export function shiftedCells(
  columns: readonly { name: string; unit: string; cells: readonly string[] }[],
): Shifted | undefined {
  const beyond = columns.length - 1;
  const last = columns[beyond];
  if (!last || beyond < 2 || last.name !== '' || last.unit !== '') return undefined;
  const named = columns.slice(0, beyond);
  if (named.some((c) => c.name === '')) return undefined;
  const reach: number[] = [];
  const most = Math.max(1, last.cells.length / oneIn);
  for (let row = 0; row < last.cells.length; row++) {
    if (textAt(last.cells, row) === '') continue;
    reach.push(row);
    if (reach.length > most) return undefined;
  }
  const rows = reach.map((row) => ({ row, empty: named.findLastIndex((c) => textAt(c.cells, row) === '') }));
  return rows.length > 0 && rows.every(({ empty }) => empty >= 0) ? { beyond, rows } : undefined;
}
