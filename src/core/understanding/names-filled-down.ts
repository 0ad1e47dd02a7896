/** A group named once, in the first of its rows, the cells below it left empty. */
import type { Incoming } from './seen';
import { valueOf } from './sums';
import { crossing } from './crossing';
import { labelName } from './vocabulary';
import { cellAt } from '../readings/cell-at';

/** Whether a column names each of several groups once, over the empty cells of its other rows. */
function namesOnce({ name, cells }: Incoming): boolean {
  // What is cheap is asked first: of most tables it is all.
  const standsAlone = (cell: string, row: number): boolean =>
    cell.trim() === '' || (cells[row + 1] ?? 'x').trim() === '';
  if (labelName.test(name) || !cells.every(standsAlone)) return false;
  const names = cells.filter((cell) => cell.trim() !== '');
  const isName = (cell: string): boolean => cell.trim() !== '' && valueOf(cell) === undefined;
  return names.length > 1 && isName(cellAt(cells, 0)) && names.every(isName) && new Set(names).size === names.length;
}

/**
 * A table of one reading a row with the names of its groups in every row; as it is where no first column names each group
 * once. Of several columns of readings the rows may be replicates of a level, which are read as they stand.
 */
export function namesFilledDown(columns: readonly Incoming[]): readonly Incoming[] {
  const [first, ...others] = columns;
  if (!first || !namesOnce(first)) return columns;
  // What counts the rows of each name, but for a slip, is no reading.
  let from = 0;
  const place = first.cells.map((cell, i) => i + 1 - (from = cell.trim() === '' ? from : i));
  const counts = ({ cells }: Incoming): boolean =>
    cells.filter((cell, i) => Number(cell) !== place[i]).length <= (cells.length > 4 ? 1 : 0);
  const numbers = others.filter((c) => c.cells.some((cell) => valueOf(cell) !== undefined) && !counts(c));
  let over = '';
  const cells = first.cells.map((cell) => (over = cell.trim() === '' ? over : cell));
  const filled = { ...first, cells };
  // Each level of another column comes once under each name: the rows are no replicates.
  const levels = others.filter(({ cells: own }) =>
    own.every((cell) => cell.trim() !== '' && valueOf(cell) === undefined),
  );
  return numbers.length === 1 || levels.some((under) => crossing(filled, under)) ? [filled, ...others] : columns;
}
