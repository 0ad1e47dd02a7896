/** Rows and columns that are sums of the others. */
import { understand } from '../readings/parse-number';
import { totalName } from './vocabulary';
import { textAt } from '../readings/cell-at';

interface Column {
  name: string;
  cells: readonly string[];
}

/** How no number begins: what is found at once, for most texts are names. */
const word = /^\s*\p{L}/u;

/** The number a text is, read without knowing its column. */
export const valueOf = (text: string | undefined): number | undefined => {
  if (text === undefined || word.test(text)) return undefined;
  const found = understand(text, '', 'auto');
  return found.kind === 'number' ? found.value : undefined;
};
/** Half a unit of the last digit a number is written with, and a little more for what no binary number holds. */
export const slack = (text: string): number => 0.5000001 * 10 ** -(/[.,](\d+)$/.exec(text.trim())?.[1]?.length ?? 0);
const close = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));

/** Whether a column is, in every row that is filled, the sum of others. */
function isSum(column: Column, others: readonly Column[]): boolean {
  let rows = 0;
  for (let r = 0; r < column.cells.length; r++) {
    const own = valueOf(column.cells[r]);
    const parts = others.map((c) => valueOf(c.cells[r]));
    if (own === undefined && parts.every((p) => p === undefined)) continue;
    if (
      own === undefined ||
      !close(
        own,
        parts.reduce<number>((s, p) => s + (p ?? 0), 0),
      )
    )
      return false;
    rows += own === 0 ? 0 : 1;
  }
  return rows > 0;
}

/** The column that holds the totals of the others: the last or first, by its sums, or by its name. */
export function sumColumn<T extends Column>(columns: readonly T[]): T | undefined {
  const ends = [columns.at(-1), columns[0]].flatMap((c) => (c ? [c] : []));
  const others = (c: T): T[] => columns.filter((o) => o !== c);
  return (
    ends.find((c) => columns.length > 2 && isSum(c, others(c))) ??
    (columns.length > 2 ? ends.find((c) => totalName.test(c.name)) : undefined)
  );
}

/** The row that holds the totals of the others: the last filled or the first, by its sums in every column, or by its name. */
export function sumRow(
  names: Column | undefined,
  columns: readonly Column[],
): { row: number; exact: boolean } | undefined {
  const height = Math.max(0, ...columns.map((c) => c.cells.length));
  const filled = Array.from({ length: height }, (_, r) => r).filter((r) =>
    columns.some((c) => textAt(c.cells, r) !== ''),
  );
  const ends = [filled.at(-1), filled[0]].flatMap((r) => (r === undefined ? [] : [r]));
  // A column with a cell that holds no number tells nothing of the sum, where others do.
  const whole = columns.filter((c) => filled.every((r) => valueOf(c.cells[r]) !== undefined));
  const telling = whole.length > 1 ? whole : columns;
  const exact = (row: number): boolean =>
    filled.length > 2 &&
    telling.every((c) => {
      const own = valueOf(c.cells[row]);
      const sum = filled.filter((r) => r !== row).reduce((s, r) => s + (valueOf(c.cells[r]) ?? 0), 0);
      return own !== undefined && close(own, sum);
    }) &&
    columns.some((c) => (valueOf(c.cells[row]) ?? 0) !== 0);
  const named = (row: number): boolean => totalName.test(textAt(names?.cells, row));
  const by = ends.find(
    (row) => exact(row) && (named(row) || (columns.length > 1 && filled.length > 3) || columns.length > 2),
  );
  if (by !== undefined) return { row: by, exact: true };
  const called = filled.length > 2 ? ends.find(named) : undefined;
  return called === undefined ? undefined : { row: called, exact: exact(called) };
}
