import { type Named, namesOf, namingNeedsCells } from '../core/question/naming';
import type { Question } from '../core/question/question';
import type { Table } from '../core/readings/table';
import { distinctNames } from '../core/telling/distinct-names';
import { nth } from '../core/numeric/nth';
import type { Db } from '../store/open';
import { questionsOf } from '../store/questions';
import { readReadings } from '../store/read-table';

/** What a table goes by in lists. */
export const tableName = (table: Table): string => table.name || table.measure || 'readings';

/** A question by its names. No list waits for an answer, and few for more than the heads of a table. */
export const named = (db: Db, question: Question, head: Table): Named =>
  namesOf(question, namingNeedsCells(question, head) ? readReadings(db, head.id) : head);

/** A question of a study: the table it is asked of, and the name by which no other of the study goes. */
export interface AskedQuestion {
  id: string;
  of: string;
  named: Named;
  label: string;
}

/** The questions asked of tables, each under a name of its own. */
export function askedIn(db: Db, studyId: string, heads: readonly (Table & { id: string })[]): AskedQuestion[] {
  const tables = new Map(heads.map((head) => [head.id, head]));
  const asked = questionsOf(db, studyId).flatMap(({ id, tableId, question }) => {
    const head = tables.get(tableId);
    return head ? [{ id, of: tableId, named: named(db, question, head), table: tableName(head) }] : [];
  });
  const labels = distinctNames(asked);
  return asked.map(({ table: _, ...question }, i) => ({ ...question, label: nth(labels, i) }));
}
