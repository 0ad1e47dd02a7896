/** Tables of a study: put in, taken out, and put back. */
import { and, desc, eq, isNotNull, max } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Column, Table } from '../core/readings/table';
import { writeRuns } from './cell-runs';
import { type Made, nextLine, recordEvent } from './events';
import type { Db } from './open';
import { keptRow } from './read-table';
import { columns, tables } from './schema';
import { headOf, partsOf } from './table-parts';
import { whole } from './transaction';

/** Writes a whole new table into a study. */
export function insertTable(
  db: Db,
  studyId: string,
  position: number,
  table: Table,
  made: { at: string; by?: string | undefined; origin: string; line: number; removed?: string | undefined },
): void {
  const { id, rowCount } = table;
  const { at, by = '', origin, line, removed = null } = made;
  db.insert(tables)
    .values({
      id,
      studyId,
      position,
      revision: 0,
      createdAt: at,
      by,
      origin,
      line,
      deletedAt: removed,
      ...partsOf(table),
    })
    .run();
  table.columns.forEach((column, index) => {
    insertColumn(db, id, column, index);
    writeRuns(db, id, column, rowCount);
  });
}

export function insertColumn(db: Db, tableId: string, column: Column, position: number): void {
  db.insert(columns)
    .values({ tableId, id: column.id, position, ...headOf(column) })
    .run();
}

/** Adds a table to a study, after those it has. @returns its id */
export function addTable(
  db: Db,
  studyId: string,
  table: Omit<Table, 'id'>,
  made: { at: string; by?: string; origin: string },
): string {
  const id = nanoid(12);
  whole(db, (inside) => {
    const last = inside
      .select({ position: max(tables.position) })
      .from(tables)
      .where(eq(tables.studyId, studyId))
      .get();
    const line = nextLine(inside, studyId, made.at);
    insertTable(inside, studyId, (last?.position ?? -1) + 1, { ...table, id }, { ...made, line });
  });
  return id;
}

/** Sets when a table was taken out of its study, or that it is in it, with its line in the log. */
const takenOut = (db: Db, id: string, made: Made, out: boolean): void => {
  whole(db, (inside) => {
    const { studyId, name } = keptRow(inside, id);
    inside
      .update(tables)
      .set({ deletedAt: out ? made.at : null })
      .where(eq(tables.id, id))
      .run();
    const [before, after] = out ? [name, null] : [null, name];
    recordEvent(inside, studyId, made, { kind: 'table', subject: id, before, after });
  });
};

/** Takes a table out of its study, with the questions asked of it; it can be put back. @throws NotFound */
export const deleteTable = (db: Db, id: string, made: Made): void => takenOut(db, id, made, true);

/** Puts a removed table back. @throws NotFound */
export const restoreTable = (db: Db, id: string, made: Made): void => takenOut(db, id, made, false);

/** The tables taken out of a study, the last first. */
export const removedTablesOf = (db: Db, studyId: string): { id: string; name: string; at: string }[] =>
  db
    .select({ id: tables.id, name: tables.name, at: tables.deletedAt })
    .from(tables)
    .where(and(eq(tables.studyId, studyId), isNotNull(tables.deletedAt)))
    .orderBy(desc(tables.deletedAt))
    .all()
    .map(({ id, name, at }) => ({ id, name, at: at ?? '' }));
