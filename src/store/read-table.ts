/** Tables as they are kept: whole, by their heads alone, or as the texts of their cells. */
import { group } from 'd3-array';
import { and, asc, eq, getTableColumns, isNull, sql } from 'drizzle-orm';
import { Gathered } from '../core/readings/gathered';
import type { Table } from '../core/readings/table';
import { runLength } from './cell-runs';
import { NotFound } from './errors';
import type { Db } from './open';
import { cellRuns, changes, columns, tables } from './schema';
import { headOfTable } from './table-parts';

/** A table with the number of changes it has seen. */
export interface KeptTable {
  table: Table;
  revision: number;
  studyId: string;
  canUndo: boolean;
  canRedo: boolean;
}

/** Tables as last read or written, with the revision they belong to: an edit of a large table need not read it again. */
const known = new WeakMap<object, Map<string, { revision: number; table: Table }>>();

export function remember(db: Db, table: Table, revision: number): void {
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

export function keptRow(db: Db, id: string): typeof tables.$inferSelect {
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
