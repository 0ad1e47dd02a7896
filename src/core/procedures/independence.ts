import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { chiSquare } from '../distributions/chi-square';
import { noncentralChiSquareLower } from '../distributions/noncentral-f';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import { type Interval, checkedLevel } from './interval';

export interface Independence {
  chi2: number;
  df: number;
  p: number;
  /** Likelihood-ratio statistic G and its p. */
  g: number;
  gP: number;
  expected: number[][];
  /** (observed − expected)/√expected. */
  standardized: number[][];
  /** Residuals with unit spread under independence (Haberman, 1973): beyond ±2 a cell stands out. */
  adjusted: number[][];
  smallestExpected: number;
  /** Cells with an expected count under 5. */
  underFive: number;
  cramersV: number;
  /** Pearson's statistic with Yates's (1934) correction, for 2 × 2 tables. */
  yates: { chi2: number; p: number } | undefined;
}

/** Counts that a table can hold. @throws DomainError naming the cell */
export function checkedTable(table: readonly (readonly number[])[]): void {
  const columns = widthOf(table);
  demand(table.length >= 2 && columns >= 2, 'A table of counts needs at least two rows and two columns.');
  table.forEach((row, i) => {
    demand(row.length === columns, `Row ${i + 1} has ${row.length} counts where the first has ${columns}.`);
    row.forEach((count, j) =>
      demand(
        Number.isSafeInteger(count) && count >= 0,
        `Row ${i + 1}, column ${j + 1} is ${count}: counts are whole numbers, 0 or more.`,
      ),
    );
    demand(sum(row) > 0, `Row ${i + 1} has no counts at all: leave it out.`);
  });
  for (let j = 0; j < columns; j++)
    demand(sum(table.map((row) => nth(row, j))) > 0, `Column ${j + 1} has no counts at all: leave it out.`);
}

/**
 * Chi-square and G tests of independence for any r × c table. Assumes independent counts; expected counts of 5 or more
 * in most cells. Source: Pearson (1900), Fisher (1922); residuals: Haberman (1973); V: Cramér (1946).
 */
export function independence(table: readonly (readonly number[])[]): Independence {
  checkedTable(table);
  const rows = table.map((row) => sum(row));
  const columns = (table[0] ?? []).map((_, j) => sum(table.map((row) => nth(row, j))));
  const total = sum(rows);
  const each = (f: (observed: number, expected: number, i: number, j: number) => number): number[][] =>
    table.map((row, i) => row.map((o, j) => f(o, (nth(rows, i) * nth(columns, j)) / total, i, j)));
  const all = (f: (observed: number, expected: number) => number): number => sum(each(f).flat());
  const expected = each((_, e) => e);
  const chi2 = all((o, e) => (o - e) ** 2 / e);
  const g = 2 * all((o, e) => (o === 0 ? 0 : o * Math.log(o / e)));
  const df = (rows.length - 1) * (columns.length - 1);
  const reference = chiSquare(df);
  const p = (x: number): number => Math.max(reference.upper(x), Number.MIN_VALUE);
  const yatesChi2 = all((o, e) => Math.max(0, Math.abs(o - e) - 0.5) ** 2 / e);
  return {
    chi2,
    df,
    p: p(chi2),
    g,
    gP: p(Math.max(0, g)),
    expected,
    standardized: each((o, e) => (o - e) / Math.sqrt(e)),
    adjusted: each((o, e, i, j) => (o - e) / Math.sqrt(e * (1 - nth(rows, i) / total) * (1 - nth(columns, j) / total))),
    smallestExpected: expected.flat().reduce((a, b) => Math.min(a, b), Infinity),
    underFive: expected.flat().filter((e) => e < 5).length,
    cramersV: Math.sqrt(chi2 / (total * (Math.min(rows.length, columns.length) - 1))),
    yates: df === 1 ? { chi2: yatesChi2, p: p(yatesChi2) } : undefined,
  };
}

/** Interval for Cramér's V, from the noncentralities that do not make χ² too large or too small (Smithson, 2003). */
export function cramersVInterval(chi2: number, rows: number, columns: number, total: number, level: number): Interval {
  const df = (rows - 1) * (columns - 1);
  const tail = (1 - checkedLevel(level)) / 2;
  const scale = total * (Math.min(rows, columns) - 1);
  const solve = (share: number): number => {
    if (noncentralChiSquareLower(chi2, df, 0) < share) return 0;
    return findZero((l) => noncentralChiSquareLower(chi2, df, l) - share, 0, 4 * chi2 + 60 + df, 1e-12);
  };
  const v = (l: number): number => Math.min(1, Math.sqrt(l / scale));
  return { low: v(solve(1 - tail)), high: v(solve(tail)) };
}
