/** Rows under the readings that sum them up: a total, a mean, an SD. */
import { isMissing } from '../readings/parse-number';
import type { Beside } from '../readings/beside';
import { slack, sumRow, valueOf } from './sums';
import { summaryName, totalName } from './vocabulary';
import { subtotals } from './subtotals';
import { nth } from '../numeric/nth';
import { cellAt, textAt } from '../readings/cell-at';

interface Column {
  name: string;
  cells: readonly string[];
}

/** A row that is no reading. */
export interface SummaryRow {
  row: number;
  kind: Beside;
  /** As the row is called, if it is. */
  name: string;
  /** Whether a total was found to be the sum of the others, to the last digit. */
  exact: boolean;
}

const isText = (text: string): boolean =>
  text.trim() !== '' && !isMissing(text) && valueOf(text) === undefined && !/^[<>≤≥\d]/.test(text.trim());

/** Rows looked at from the end up. */
const most = 12;
/** Rows of a table whose sums and means are still looked at; of a longer one names alone tell. */
const computed = 2000;

/**
 * How likely a row would be the mean of all rows above it in every column by chance alone, as far as it is written; 1 where
 * it is not their mean.
 */
function meanByChance(columns: readonly Column[], row: number): number {
  let chance = 1;
  for (const { cells } of columns) {
    const text = cellAt(cells, row);
    const own = valueOf(text);
    const above = cells.slice(0, row).flatMap((c) => valueOf(c) ?? []);
    if (own === undefined && above.length === 0) continue;
    const mean = above.reduce((s, x) => s + x, 0) / above.length;
    if (own === undefined || above.length < 3 || Math.abs(own - mean) > slack(text)) return 1;
    const sd = Math.sqrt(above.reduce((s, x) => s + (x - mean) ** 2, 0) / (above.length - 1));
    // How often a reading lies so near the middle of a normal curve. Among equal readings every one is their mean.
    chance *= Math.min(1, (2 * slack(text)) / (sd * Math.sqrt(2 * Math.PI)));
  }
  return chance;
}
/** A row is taken for a mean where chance would hardly make it one, and less than hardly where it has a name like any other. */
const hardly = { unnamed: 1e-3, named: 1e-6 };

/** What a test or a count came to, said in one cell: "p = 0.03", "n = 6". */
const statement = /^\s*(?:p|n|t|f|z|r²?|mean|s\.?d\.?|s\.?e\.?m?\.?|χ²)\s*(?:\([^)]*\))?\s*[=<>≤≥]\s*[\d.,]/iu;

/** Rows at the end that are called mean, SD, total and the like. */
function namedRows(columns: readonly Column[], filled: readonly number[]): SummaryRow[] {
  const found: SummaryRow[] = [];
  for (const row of filled) {
    const column = columns.find((c) => isText(cellAt(c.cells, row)));
    const name = textAt(column?.cells, row);
    if (columns.some((c) => statement.test(cellAt(c.cells, row)))) {
      found.push({ row, name, kind: 'summary', exact: true });
      continue;
    }
    if (!column || !(summaryName.test(name) || totalName.test(name))) break;
    // A name that stands above too is that of a group.
    if (column.cells.findIndex((c) => c.trim() === name) < row) break;
    const rest = columns.filter((c) => c !== column).map((c) => cellAt(c.cells, row));
    // A figure that cannot be read is among others that can.
    if (rest.filter(isText).length >= rest.filter((c) => valueOf(c) !== undefined).length) break;
    found.push({ row, name, kind: totalName.test(name) ? 'total' : 'summary', exact: true });
  }
  // "n" or "t" alone may name a group.
  return found.every((f) => f.name.length < 2) ? [] : found;
}

/** Rows at the end below a row of nothing but their name: "mean" in every column, and the means beneath it. */
function saidAbove(columns: readonly Column[], filled: readonly number[]): SummaryRow[] {
  const textsAt = (row: number): string[] => columns.map((c) => textAt(c.cells, row)).filter((text) => text !== '');
  const from = filled.find((row) => textsAt(row).every((text) => text.length > 1 && summaryName.test(text)));
  const rows = from === undefined ? [] : filled.filter((row) => row >= from);
  const [last = 0] = rows;
  if (rows.length < 2 || rows.length > 4 || from === undefined || from < 2) return [];
  const name = nth(textsAt(from), 0);
  return rows.map((row) => ({ row, kind: 'summary' as const, name: row === last ? name : '', exact: true })).reverse();
}

/** A row "n" above the readings that says how many stand below it in every column. */
function sizesRow(columns: readonly Column[], height: number): SummaryRow | undefined {
  if (height < 4 || height > computed) return undefined;
  const names = columns.find((c) => /^n$/i.test(textAt(c.cells, 0)));
  const others = columns.filter((c) => c !== names);
  // A reading that cannot be read may have been counted, and a size that cannot be read leaves the others.
  const fits = others.flatMap((c) => {
    const [size, ...below] = c.cells;
    const [n, filled] = [valueOf(size), below.filter((cell) => cell.trim() !== '')];
    return n === undefined ? [] : [n === filled.length || n === filled.filter((x) => valueOf(x) !== undefined).length];
  });
  return names && fits.length > 0 && fits.every(Boolean)
    ? { row: 0, kind: 'summary', name: textAt(names.cells, 0), exact: true }
    : undefined;
}

/** The rows of a table that sum up the others, wherever their names or their numbers tell. */
export function summaryRows(columns: readonly Column[]): SummaryRow[] {
  const height = Math.max(0, ...columns.map((c) => c.cells.length));
  const isFilled = (r: number): boolean => columns.some((c) => textAt(c.cells, r) !== '');
  const filled = Array.from({ length: Math.min(height, most) }, (_, i) => height - 1 - i).filter(isFilled);
  const numbers = columns.filter((c) => c.cells.slice(0, computed).some((x) => valueOf(x) !== undefined));
  const names =
    columns.find((c) => !numbers.includes(c)) ??
    (height <= computed ? columns.find((c) => c.cells.some(isText)) : undefined);
  const among = subtotals(columns);
  if (among.length > 0) return among;
  const said = saidAbove(columns, filled);
  if (said.length > 0) return said;
  const sizes = sizesRow(columns, height);
  if (sizes) return [sizes];
  const named = namedRows(columns, filled);
  if (height - named.length < 2) return [];
  if (named.length > 0 && height <= computed) {
    // Whether a total is one is told without the means that stand beside it.
    const without = (row: number): Column[] =>
      numbers.map((c) => ({
        ...c,
        cells: c.cells.map((cell, r) => (r !== row && named.some((f) => f.row === r) ? '' : cell)),
      }));
    return named
      .map((f) => (f.kind === 'total' ? { ...f, exact: sumRow(names, without(f.row))?.exact ?? false } : f))
      .sort((a, b) => a.row - b.row);
  }
  if (height > computed) return named.sort((a, b) => a.row - b.row);
  const whole = (c: Column): boolean =>
    c.cells.every((x) => x.trim() === '' || isMissing(x) || Number.isInteger(valueOf(x) ?? 0.5));
  if (names && !numbers.includes(names) && numbers.length > 1 && numbers.every(whole) && height <= 200) {
    const sum = sumRow(names, numbers);
    if (sum) return [{ row: sum.row, kind: 'total', name: textAt(names.cells, sum.row), exact: sum.exact }];
  }
  const isMean = (r: number): boolean =>
    meanByChance(numbers, r) < (textAt(names?.cells, r) === '' ? hardly.unnamed : hardly.named);
  const from = numbers.length > 1 ? [...filled].reverse().find((r) => r >= 3 && isMean(r)) : undefined;
  if (from === undefined || height - from > 4) return [];
  return filled
    .flatMap((row) => (row >= from ? [{ row, kind: 'summary' as const, name: '', exact: true }] : []))
    .reverse();
}
