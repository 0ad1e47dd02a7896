/** Rows in which a name was lost: that of a column which names nearly every other row. */
import { cellAt } from '../readings/cell-at';
import { isMissing } from '../readings/parse-number';
import type { Incoming } from './seen';
import { valueOf } from './sums';
import { groupName, idName, spoken, subjectName } from './vocabulary';

/** Rows there are at least: of fewer an empty cell may stand below a name that is given once. */
const fewest = 6;
const fewestNamed = 4;
/** Of so many names one may be lost. */
const oneIn = 10;

export const isLost = (cell: string): boolean => cell.trim() === '' || isMissing(cell);

/** Whether so many of all may have been lost by a slip. */
export const areFew = (lost: number, all: number): boolean =>
  lost === 0 || (all >= fewest && lost <= Math.max(1, all / oneIn));

/** Whether cells name each row, none twice, but for a few that were lost. */
export function areNamedOnce(cells: readonly string[]): boolean {
  const names = cells.filter((cell) => !isLost(cell)).map((cell) => cell.trim());
  const lost = cells.length - names.length;
  // Names that are all different stand over no other rows, so that one may be lost of fewer.
  return (
    ((names.length >= fewestNamed && lost <= 1) || areFew(lost, cells.length)) && new Set(names).size === names.length
  );
}

/** Whether a column names rows: by words, or by numbers where it is called so. */
function namesRows({ name, cells }: Incoming): boolean {
  const called = spoken(name);
  if (subjectName.test(called) || idName.test(called) || groupName.test(called)) return true;
  const looked = cells.slice(0, 200).filter((cell) => !isLost(cell));
  return looked.filter((cell) => valueOf(cell) === undefined).length > looked.length / 2;
}

/** Columns without the rows that lack a name, where these are few: what a table is does not hang on a cell nobody filled. */
export function wholeRows(columns: readonly Incoming[]): readonly Incoming[] {
  const height = Math.max(0, ...columns.map((c) => c.cells.length));
  const lost = new Set<number>();
  for (const column of columns.filter(namesRows)) {
    const own: number[] = [];
    for (let row = 0; row < height; row++) if (isLost(cellAt(column.cells, row))) own.push(row);
    if (own.length > 0 && areFew(own.length, height)) for (const row of own) lost.add(row);
  }
  if (lost.size === 0 || !areFew(lost.size, height)) return columns;
  return columns.map((c) => ({ ...c, cells: c.cells.filter((_, row) => !lost.has(row)) }));
}
