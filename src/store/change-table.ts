/** Changes of a table, each kept with what takes it back. */
import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import { applyEdits } from '../core/readings/edits';
import type { TableEdit } from '../core/readings/table-edit';
import type { Table } from '../core/readings/table';
import { writeRuns } from './cell-runs';
import { Gone, newerElsewhere } from './errors';
import { nextLine } from './events';
import type { Db } from './open';
import { type KeptTable, keptRow, readTable, remember, stepsOf } from './read-table';
import { keepAtReveal, reveals } from './reveal';
import { cellRuns, changes, columns, studies, tables } from './schema';
import { headOf, partsOf } from './table-parts';
import { insertColumn } from './tables';
import { whole } from './transaction';

/** Writes what differs between two states of a table, and counts the change. */
function writeDifference(db: Db, before: Table, after: Table, revision: number): void {
  const { id, rowCount } = after;
  const old = new Map(before.columns.map((c, position) => [c.id, { column: c, position }]));
  for (const { column } of old.values())
    if (!after.columns.some((c) => c.id === column.id)) {
      db.delete(cellRuns)
        .where(and(eq(cellRuns.tableId, id), eq(cellRuns.columnId, column.id)))
        .run();
      db.delete(columns)
        .where(and(eq(columns.tableId, id), eq(columns.id, column.id)))
        .run();
    }
  after.columns.forEach((column, position) => {
    const kept = old.get(column.id);
    if (!kept) insertColumn(db, id, column, position);
    else if (kept.column !== column || kept.position !== position)
      db.update(columns)
        .set({ position, ...headOf(column) })
        .where(and(eq(columns.tableId, id), eq(columns.id, column.id)))
        .run();
    if (kept?.column === column && before.rowCount <= rowCount) return;
    writeRuns(db, id, column, rowCount, kept && { column: kept.column, rowCount: before.rowCount });
  });
  db.update(tables)
    .set({ ...partsOf(after), revision })
    .where(eq(tables.id, id))
    .run();
}

/** What can be taken back next, or made again: a change of its own, not one that steps. */
const isStep = (undone: boolean) =>
  and(isNull(changes.steps), eq(changes.undone, undone), eq(changes.forgotten, false));

/** The change a page called so, if it is kept. */
const givenChange = (db: Db, id: string, given: string) =>
  given === ''
    ? undefined
    : db
        .select()
        .from(changes)
        .where(and(eq(changes.tableId, id), eq(changes.given, given)))
        .get();

/** @throws Gone when the table, or its study, was removed; nothing is written then */
export function stillThere(db: Db, id: string): void {
  const { deletedAt, studyId } = keptRow(db, id);
  if (deletedAt !== null) throw new Gone('These readings were removed from their study; its log brings them back.');
  const study = db.select({ gone: studies.deletedAt }).from(studies).where(eq(studies.id, studyId)).get();
  if (study?.gone != null) throw new Gone('The study of these readings was deleted; the shelf brings it back.');
}

/**
 * Applies edits to a table as one change.
 * @param given what the page calls it: a change of that name that is kept already is not made again
 * @param revision the revision the person saw when making the edits
 * @returns the new revision
 * @throws Conflict when the table has changed since; nothing is written then
 * @throws DomainError when an edit does not fit the table; nothing is written then
 * @throws Gone when it was removed
 */
export function editTable(
  db: Db,
  id: string,
  revision: number,
  edits: TableEdit[],
  at: string,
  by = '',
  given = '',
): number {
  const done = givenChange(db, id, given);
  if (done) return done.revision;
  stillThere(db, id);
  const kept = readTable(db, id);
  const { table, inverse } = applyEdits(checked(kept, revision), edits);
  whole(db, (inside) => {
    if (keptRow(inside, id).revision !== revision) throw newerElsewhere('These readings were', revision + 1);
    // What was taken back before a new change stays in the log, and cannot be made again.
    inside
      .update(changes)
      .set({ forgotten: true })
      .where(and(eq(changes.tableId, id), isStep(true)))
      .run();
    const line = nextLine(inside, kept.studyId, at);
    inside
      .insert(changes)
      .values({ tableId: id, at, by, edits, inverse, undone: false, line, revision: revision + 1, given })
      .run();
    writeDifference(inside, kept.table, table, revision + 1);
    if (reveals(edits)) keepAtReveal(inside, id);
  });
  remember(db, table, revision + 1);
  return revision + 1;
}

/**
 * Takes back the last change, or makes the last one taken back again. Undefined when there is none.
 * @param given what the page calls this step: one of that name that is kept already is not made again
 */
export function stepTable(
  db: Db,
  id: string,
  revision: number,
  step: 'undo' | 'redo',
  at: string,
  by = '',
  given = '',
): { revision: number; edits: TableEdit[]; canUndo: boolean; canRedo: boolean } | undefined {
  const done = givenChange(db, id, given);
  if (done) {
    return { revision: done.revision, edits: done.edits, ...stepsOf(db, id) };
  }
  stillThere(db, id);
  const kept = readTable(db, id);
  const before = checked(kept, revision);
  const undo = step === 'undo';
  const change = db
    .select()
    .from(changes)
    .where(and(eq(changes.tableId, id), isStep(!undo)))
    .orderBy(undo ? desc(changes.line) : asc(changes.line))
    .limit(1)
    .get();
  if (!change) return undefined;
  const [edits, inverse] = undo ? [change.inverse, change.edits] : [change.edits, change.inverse];
  const { table } = applyEdits(before, edits);
  whole(db, (inside) => {
    if (keptRow(inside, id).revision !== revision) throw newerElsewhere('These readings were', revision + 1);
    inside.update(changes).set({ undone: undo }).where(eq(changes.id, change.id)).run();
    const line = nextLine(inside, kept.studyId, at);
    inside
      .insert(changes)
      .values({
        tableId: id,
        at,
        by,
        edits,
        inverse,
        undone: false,
        line,
        steps: change.line,
        revision: revision + 1,
        given,
      })
      .run();
    writeDifference(inside, before, table, revision + 1);
  });
  remember(db, table, revision + 1);
  return { revision: revision + 1, edits, ...stepsOf(db, id) };
}

/** The table, if it is still as the person saw it. @throws Conflict */
function checked({ table, revision }: KeptTable, seen: number): Table {
  if (revision !== seen) throw newerElsewhere('These readings were', revision);
  return table;
}
