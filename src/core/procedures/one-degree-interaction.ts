import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';

/**
 * Tukey's one-degree-of-freedom test for interaction, for two factors with one reading a cell: whether rows and columns
 * multiply instead of adding. Source: Tukey (1949).
 * @param cells one reading a cell, row by row
 */
export function oneDegreeInteraction(cells: readonly (readonly number[])[]): { f: number; df2: number; p: number } {
  const r = cells.length;
  const c = widthOf(cells);
  demand(r >= 2 && c >= 2 && cells.every((row) => row.length === c), 'Every row needs one reading in every column.');
  const df2 = (r - 1) * (c - 1) - 1;
  demand(df2 >= 1, 'At least two rows by three columns are needed: nothing else is left to judge errors by.');
  const grand = sum(cells.flat()) / (r * c);
  const rows = cells.map((row) => sum(row) / c - grand);
  const columns = Array.from({ length: c }, (_, j) => sum(cells.map((row) => nth(row, j))) / r - grand);
  const product = sum(cells.flatMap((row, i) => row.map((y, j) => nth(rows, i) * nth(columns, j) * y)));
  const ss = product ** 2 / (sum(rows.map((x) => x * x)) * sum(columns.map((x) => x * x)));
  const residuals = cells.flatMap((row, i) => row.map((y, j) => y - grand - nth(rows, i) - nth(columns, j)));
  const rest = sum(residuals.map((e) => e * e)) - ss;
  demand(rest > 0 && Number.isFinite(ss), 'Rows or columns do not differ at all, so they cannot multiply.');
  const f = ss / (rest / df2);
  return { f, df2, p: Math.max(fisherF(1, df2).upper(f), Number.MIN_VALUE) };
}
