/** The cells of a column in runs of a thousand, so that a change writes what it touches and no more. */
import { and, eq } from 'drizzle-orm';
import type { Column } from '../core/readings/table';
import type { Db } from './open';
import { cellRuns } from './schema';

/** Rows in one stored run of cells. */
export const runLength = 1000;

const runCount = (column: Column, rowCount: number): number =>
  Math.ceil(Math.min(rowCount, Math.max(column.cells.length, lastAside(column) + 1)) / runLength);

const lastAside = (column: Column): number => Math.max(-1, ...Object.keys(column.aside).map(Number));

function runOf(column: Column, run: number): { cells: string[]; aside: Record<string, string> } {
  const from = run * runLength;
  const aside: Record<string, string> = {};
  for (const [row, reason] of Object.entries(column.aside))
    if (Number(row) >= from && Number(row) < from + runLength) aside[Number(row) - from] = reason;
  return { cells: column.cells.slice(from, from + runLength), aside };
}

const sameRun = (a: Column, b: Column, run: number): boolean => {
  const from = run * runLength;
  for (let row = from; row < from + runLength; row++)
    if ((a.cells[row] ?? '') !== (b.cells[row] ?? '') || a.aside[row] !== b.aside[row]) return false;
  return true;
};

/** Writes the runs in which a column differs from what was kept of it before. */
export function writeRuns(
  db: Db,
  tableId: string,
  column: Column,
  rowCount: number,
  before?: { column: Column; rowCount: number },
): void {
  const count = runCount(column, rowCount);
  for (let run = 0; run < count; run++) {
    if (before && run < runCount(before.column, before.rowCount) && sameRun(before.column, column, run)) continue;
    const kept = runOf(column, run);
    db.insert(cellRuns)
      .values({ tableId, columnId: column.id, run, ...kept })
      .onConflictDoUpdate({ target: [cellRuns.tableId, cellRuns.columnId, cellRuns.run], set: kept })
      .run();
  }
  if (!before) return;
  for (let run = count; run < runCount(before.column, before.rowCount); run++)
    db.delete(cellRuns)
      .where(and(eq(cellRuns.tableId, tableId), eq(cellRuns.columnId, column.id), eq(cellRuns.run, run)))
      .run();
}
