/** Tables that are the same across their diagonal, as distances and correlations are. */
import { cellAt, textAt } from '../readings/cell-at';

/** Names of fewer rows may agree by chance. */
const fewest = 3;

/** Whether rows and columns have the same names, and each cell its like across the diagonal, where one figure stands throughout. */
export function isMirrored(
  rows: readonly string[],
  columns: readonly { name: string; cells: readonly string[] }[],
): boolean {
  if (rows.length < fewest || rows.length !== columns.length) return false;
  if (!columns.every((c, i) => c.name.trim() === textAt(rows, i))) return false;
  const at = (row: number, column: number): string => textAt(columns[column]?.cells, row);
  const places = rows.map((_, i) => i);
  const diagonal = new Set(places.map((i) => Number(at(i, i))));
  // Often one half alone is filled.
  const like = (i: number, k: number): boolean => {
    const [a, b] = [at(i, k), at(k, i)];
    return a === '' || b === '' || Number(a) === Number(b);
  };
  return diagonal.size === 1 && places.every((i) => places.every((k) => like(i, k))) && cellAt(rows, 0) !== '';
}
