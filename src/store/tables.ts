import { group } from 'd3-array';
import { and, asc, desc, eq, getTableColumns, isNotNull, isNull, max, sql } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import { applyEdits } from '../core/readings/edits';
import type { TableEdit } from '../core/readings/table-edit';
import { Gathered } from '../core/readings/gathered';
import type { Column, Table } from '../core/readings/table';
import { Gone, NotFound, newerElsewhere } from './errors';
import { type Made, nextLine, recordEvent } from './events';
import { runLength, writeRuns } from './cell-runs';
import type { Db } from './open';
import { keepAtReveal, reveals } from './reveal';
import { whole } from './transaction';
import { cellRuns, changes, columns, studies, tables } from './schema';

/** A table with the number of changes it has seen. */
export interface KeptTable {
  table: Table;
  revision: number;
  studyId: string;
  canUndo: boolean;
  canRedo: boolean;
}

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

function insertColumn(db: Db, tableId: string, column: Column, position: number): void {
  db.insert(columns)
    .values({ tableId, id: column.id, position, ...headOf(column) })
    .run();
}

/** What is kept of a table beside its columns. */
const partsOf = ({
  name,
  measure,
  subject,
  shape,
  average,
  spread,
  level,
  settled,
  described,
  blind,
  rowCount,
}: Table) => ({
  name,
  measure,
  subject,
  shape,
  average,
  spread,
  level,
  settled: settled ?? null,
  described: described ?? null,
  blind: blind ?? null,
  rowCount,
});

/** What is kept of a column beside its cells. */
const headOf = ({ name, unit, role, decimal, limits, colour, levels, formula, note }: Column) => ({
  name,
  unit,
  role,
  decimal,
  limits: limits ?? null,
  colour: colour ?? null,
  levels: levels ?? null,
  formula: formula ?? null,
  note: note ?? null,
});

/** The parts a column has; those it lacks are left out rather than empty. */
const optionalParts = ({ limits, colour, levels, formula, note }: typeof columns.$inferSelect) => ({
  ...(limits === null ? {} : { limits }),
  ...(colour === null ? {} : { colour }),
  ...(levels === null ? {} : { levels }),
  ...(formula === null ? {} : { formula }),
  ...(note === null ? {} : { note }),
});

/** Tables as last read or written, with the revision they belong to: an edit of a large table need not read it again. */
const known = new WeakMap<object, Map<string, { revision: number; table: Table }>>();

function remember(db: Db, table: Table, revision: number): void {
  // Within a transaction nothing is remembered: it may yet be taken back.
  if (!(db.$client as unknown)) return;
  const tables = known.get(db.$client) ?? new Map<string, { revision: number; table: Table }>();
  known.set(db.$client, tables);
  // Those someone is working on; older ones make room.
  tables.delete(table.id);
  tables.set(table.id, { revision, table });
  let cells = 0;
  for (const { table: each } of tables.values()) cells += sizeOf(each);
  for (const [id, { table: each }] of tables) {
    if (tables.size <= 1 || (tables.size <= 64 && cells <= rememberedCells)) break;
    tables.delete(id);
    cells -= sizeOf(each);
  }
}

const sizeOf = ({ rowCount, columns: all }: Table): number => rowCount * all.length;

/** Cells of all remembered tables together. */
const rememberedCells = 4_000_000;

function keptRow(db: Db, id: string): typeof tables.$inferSelect {
  const kept = db.select().from(tables).where(eq(tables.id, id)).get();
  if (!kept) throw new NotFound('There is no such table of readings: its study may have been deleted.');
  return kept;
}

/** A table's names, units and roles without its cells. @throws NotFound */
export const readTableHead = (db: Db, id: string): Table =>
  headOfTable(
    keptRow(db, id),
    db.select().from(columns).where(eq(columns.tableId, id)).orderBy(asc(columns.position)).all(),
  );

/** The same of all tables of a study, in order. */
export function readTableHeads(db: Db, studyId: string): Table[] {
  const all = db
    .select()
    .from(tables)
    .where(and(eq(tables.studyId, studyId), isNull(tables.deletedAt)))
    .orderBy(asc(tables.position))
    .all();
  const heads = db
    .select(getTableColumns(columns))
    .from(columns)
    .innerJoin(tables, eq(columns.tableId, tables.id))
    .where(and(eq(tables.studyId, studyId), isNull(tables.deletedAt)))
    .orderBy(asc(columns.position))
    .all();
  const own = group(heads, (c) => c.tableId);
  return all.map((kept) => headOfTable(kept, own.get(kept.id) ?? []));
}

function headOfTable(kept: typeof tables.$inferSelect, heads: (typeof columns.$inferSelect)[]): Table {
  const { blind, settled, described, ...parts } = partsOf({
    ...kept,
    settled: kept.settled ?? undefined,
    described: kept.described ?? undefined,
    blind: kept.blind ?? undefined,
    columns: [],
  });
  return {
    id: kept.id,
    ...parts,
    ...(settled ? { settled } : {}),
    ...(described ? { described } : {}),
    ...(blind ? { blind } : {}),
    columns: heads.map((c) => ({
      id: c.id,
      name: c.name,
      unit: c.unit,
      role: c.role,
      decimal: c.decimal,
      ...optionalParts(c),
      cells: [],
      aside: {},
    })),
  };
}

function readCells(db: Db, head: Table): Table {
  const runs = db.select().from(cellRuns).where(eq(cellRuns.tableId, head.id)).orderBy(asc(cellRuns.run)).all();
  const gathered = new Gathered(head);
  for (const run of runs) gathered.add(run.columnId, run.run * runLength, run.cells, run.aside);
  return gathered.table();
}

/** A stretch of a column's cells as it is kept, in the JSON it is kept in. */
export interface KeptRun {
  columnId: string;
  /** The row of its first cell. */
  from: number;
  cells: string;
  aside: string;
}

/** The cells of a table as they are kept: texts to be passed on without being looked into. @throws NotFound */
export const keptRuns = (db: Db, id: string): KeptRun[] =>
  db
    .select({
      columnId: cellRuns.columnId,
      from: sql<number>`${cellRuns.run} * ${runLength}`,
      cells: sql<string>`${cellRuns.cells}`,
      aside: sql<string>`${cellRuns.aside}`,
    })
    .from(cellRuns)
    .where(eq(cellRuns.tableId, keptRow(db, id).id))
    .orderBy(asc(cellRuns.run))
    .all();

/** A table's readings as they stand at a revision. */
function readingsAt(db: Db, id: string, revision: number): Table {
  const before = known.get(db.$client)?.get(id);
  const table = before?.revision === revision ? before.table : readCells(db, readTableHead(db, id));
  remember(db, table, revision);
  return table;
}

/** A table's readings alone. @throws NotFound */
export const readReadings = (db: Db, id: string): Table => readingsAt(db, id, revisionOf(db, id));

/** Reads a table. @throws NotFound */
export function readTable(db: Db, id: string): KeptTable {
  const { studyId, revision } = keptRow(db, id);
  return { studyId, revision, ...stepsOf(db, id), table: readingsAt(db, id, revision) };
}

/** Whether a change of a table can be taken back, or made again. */
export function stepsOf(db: Db, id: string): { canUndo: boolean; canRedo: boolean } {
  const found = db
    .selectDistinct({ undone: changes.undone })
    .from(changes)
    .where(and(eq(changes.tableId, id), isNull(changes.steps), eq(changes.forgotten, false)))
    .all()
    .map((c) => c.undone);
  return { canUndo: found.includes(false), canRedo: found.includes(true) };
}

/** Keeps a table that was put together from its runs in mind, unless it has changed since. */
export function rememberTable(db: Db, table: Table, revision: number): void {
  if (keptRow(db, table.id).revision === revision) remember(db, table, revision);
}

/** A table as `readTable` reads it, its columns without cells. @throws NotFound */
export function readKeptHead(db: Db, id: string): KeptTable {
  const { studyId, revision } = keptRow(db, id);
  return { studyId, revision, ...stepsOf(db, id), table: readTableHead(db, id) };
}

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

/** The study a table belongs to. @throws NotFound */
export const studyOfTable = (db: Db, id: string): string => keptRow(db, id).studyId;

/** How many changes a table has seen, told without reading it. @throws NotFound */
export const revisionOf = (db: Db, id: string): number => keptRow(db, id).revision;

/** How many cells a table has room for, told without reading them. @throws NotFound */
export const cellCount = (db: Db, id: string): number =>
  readTableHead(db, id).columns.length * keptRow(db, id).rowCount;

/** When, by whom and from what a table was made, on which line of the log, and when it was taken out. @throws NotFound */
export const madeOf = (
  db: Db,
  id: string,
): { at: string; by: string; origin: string; line: number; removed?: string } => {
  const { createdAt, by, origin, line, deletedAt } = keptRow(db, id);
  return { at: createdAt, by, origin, line, ...(deletedAt === null ? {} : { removed: deletedAt }) };
};
