/** What a question was when the names of its groups were revealed: kept with it, so that a later choice can be told. */
import { eq } from 'drizzle-orm';
import type { Question } from '../core/question/question';
import type { TableEdit } from '../core/readings/table-edit';
import type { Db } from './open';
import { questions, tables } from './schema';

/** Whether a change puts names back where letters stood. */
export const reveals = (edits: readonly TableEdit[]): boolean =>
  edits.some((e) => e.kind === 'describe-table' && e.blind?.to !== undefined);

const asItStands = ({ registered: _, atReveal: __, own: ___, name: ____, ...asked }: Question): Question['atReveal'] =>
  asked;

/** Keeps each question of a table as it stands now. It is no change of the question: who has it open goes on from theirs. */
export function keepAtReveal(db: Db, tableId: string): void {
  const all = db.select().from(questions).where(eq(questions.tableId, tableId)).all();
  for (const { id, question } of all)
    db.update(questions)
      .set({ question: { ...question, atReveal: asItStands(question) } })
      .where(eq(questions.id, id))
      .run();
}

/** A new question of a table, saying so where the names of its groups were revealed before it was asked. */
export function askedNow(db: Db, tableId: string, { atReveal: _, ...question }: Question): Question {
  const kept = db.select({ blind: tables.blind }).from(tables).where(eq(tables.id, tableId)).get();
  return kept?.blind?.to === undefined ? question : { ...question, atReveal: null };
}
