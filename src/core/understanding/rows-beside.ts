/** The rows of a table that are no readings of their own: those that sum up the others, and those that stand twice. */
import { rowsTwice } from './rows-twice';
import type { Incoming } from './seen';
import { type SummaryRow, summaryRows } from './summary-rows';

export function rowsBeside(columns: readonly Incoming[]): Omit<SummaryRow, 'name'>[] {
  const sums = summaryRows(columns);
  const summed = new Set(sums.map(({ row }) => row));
  const readings =
    summed.size === 0
      ? columns
      : columns.map((c) => ({ ...c, cells: c.cells.map((cell, row) => (summed.has(row) ? '' : cell)) }));
  return [...sums, ...rowsTwice(readings).map((row) => ({ row, kind: 'twice' as const, exact: true }))];
}
