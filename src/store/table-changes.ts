/** What was done to a table: the accepted changes, each with what takes it back. */
import { and, asc, desc, eq, gt } from 'drizzle-orm';
import type { TableEdit } from '../core/readings/table-edit';
import type { StudyContent } from '../core/study/content';
import type { Db } from './open';
import { changes } from './schema';
import { stillThere } from './change-table';
import { revisionOf, stepsOf } from './read-table';

/** An accepted change, with what takes it back. */
type TableChange = NonNullable<StudyContent['tables'][number]['changes']>[number] & { line: number };

/** The accepted changes of a table with what takes each back, the newest first. @param after those after this line of the log */
export const changesOf = (db: Db, id: string, most = Infinity, after = -1): TableChange[] =>
  db
    .select()
    .from(changes)
    .where(and(eq(changes.tableId, id), gt(changes.line, after)))
    .orderBy(desc(changes.line))
    .limit(Number.isFinite(most) ? most : -1)
    .all()
    .map(({ id: _, tableId: __, revision: ___, given: ____, ...change }) => change);

/** What was done to a table since a revision, and how it stands. */
export interface Since {
  /** In order; null where not all of it is known. */
  edits: TableEdit[] | null;
  revision: number;
  canUndo: boolean;
  canRedo: boolean;
}

/** @throws NotFound, Gone when the table was removed */
export function editsSince(db: Db, id: string, revision: number): Since {
  stillThere(db, id);
  const now = revisionOf(db, id);
  const since = db
    .select({ revision: changes.revision, edits: changes.edits })
    .from(changes)
    .where(and(eq(changes.tableId, id), gt(changes.revision, revision)))
    .orderBy(asc(changes.revision))
    .all();
  const edits = since.length === now - revision ? since.flatMap((c) => c.edits) : null;
  return { edits, revision: now, ...stepsOf(db, id) };
}

/** Puts the changes of a copied table in as they were. */
export function insertChanges(db: Db, tableId: string, all: readonly Omit<TableChange, 'line'>[]): void {
  for (const change of all)
    db.insert(changes)
      .values({ tableId, ...change })
      .run();
}
