/** Columns of marks, "x" where something was found and nothing where it was not: yes and no. */
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { valueOf } from './sums';

const mark = /^[x×✓✔√•●+]$/iu;
/** Rows there are at least: fewer empty cells may be readings not made yet. */
const fewest = 4;

/** Whether a column holds one mark and empty cells, some of each. */
function isMarked({ name, cells }: Incoming): boolean {
  const found = cells.find((cell) => cell.trim() !== '')?.trim();
  return (
    name !== '' &&
    found !== undefined &&
    mark.test(found) &&
    cells.length >= fewest &&
    cells.some((cell) => cell.trim() === '') &&
    cells.every((cell) => cell.trim() === '' || cell.trim() === found)
  );
}

const tick = /^[✓✔☑]$/u;
const cross = /^[✗✘☒×x]$/iu;

/** A column of ticks and crosses, with yes and no in their place; undefined of any other. */
function ticked(column: Incoming): Incoming | undefined {
  const isMark = (cell: string): boolean => cell === '' || tick.test(cell) || cross.test(cell);
  // The first cell that is none tells, in columns of any length.
  if (!column.cells.every((cell) => isMark(cell.trim()))) return undefined;
  const cells = column.cells.map((cell) => cell.trim());
  if (!cells.some((cell) => tick.test(cell)) || !cells.some((cell) => cross.test(cell))) return undefined;
  return { ...column, cells: cells.map((cell) => (tick.test(cell) ? 'yes' : cell === '' ? '' : 'no')) };
}

/** Columns with yes for each mark and no for each empty cell beside it. */
export function marksRead(given: readonly Incoming[]): Worked {
  const columns = given.map((c) => ticked(c) ?? c);
  const notes = columns.some((c, k) => c !== given[k]) ? ['Ticks were read as yes, and crosses as no.'] : [];
  // Rows that hold nothing but marks are told from empty ones by what names them.
  const full = (): boolean => columns.some((c) => c.cells.every((cell) => cell.trim() !== ''));
  // Beside readings a mark is a remark on them.
  const measured = (): boolean => columns.slice(1).some((c) => c.cells.some((cell) => valueOf(cell) !== undefined));
  if (!columns.some(isMarked) || measured() || !full()) return { columns, notes };
  return {
    columns: columns.map((c) =>
      isMarked(c) ? { ...c, cells: c.cells.map((cell) => (cell.trim() === '' ? 'no' : 'yes')) } : c,
    ),
    notes: [...notes, 'Marks were read as yes, and the empty cells of their columns as no.'],
  };
}
