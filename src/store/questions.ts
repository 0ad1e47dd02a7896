import { and, asc, eq, getTableColumns, isNull } from 'drizzle-orm';
import type { Question } from '../core/question/question';
import { NotFound, newerElsewhere } from './errors';
import type { Db } from './open';
import { questions, studies, tables } from './schema';

export interface KeptQuestion {
  id: string;
  studyId: string;
  tableId: string;
  question: Question;
  revision: number;
}

/** The questions of a study, in the order they were asked; those of a removed table are out of sight with it. */
export const questionsOf = (db: Db, studyId: string): KeptQuestion[] =>
  db
    .select(getTableColumns(questions))
    .from(questions)
    .innerJoin(tables, eq(questions.tableId, tables.id))
    .where(and(eq(questions.studyId, studyId), isNull(tables.deletedAt)))
    .orderBy(asc(questions.position))
    .all();

/** @throws NotFound */
export function readQuestion(db: Db, id: string): KeptQuestion {
  const kept = db.select().from(questions).where(eq(questions.id, id)).get();
  if (!kept) throw new NotFound('There is no such question: it may have been removed.');
  return kept;
}

export function insertQuestion(db: Db, id: string, studyId: string, tableId: string, question: Question): void {
  const position = questionsOf(db, studyId).length;
  db.insert(questions).values({ id, studyId, tableId, position, question, revision: 0 }).run();
}

/** Writes a question as changed. @returns the new revision @throws Conflict, NotFound */
export function updateQuestion(db: Db, id: string, revision: number, question: Question, at: string): number {
  return db.transaction((tx) => {
    const inside = tx as unknown as Db;
    const kept = readQuestion(inside, id);
    if (kept.revision !== revision) throw newerElsewhere('This question was', kept.revision);
    inside
      .update(questions)
      .set({ question, revision: revision + 1 })
      .where(eq(questions.id, id))
      .run();
    inside.update(studies).set({ changedAt: at }).where(eq(studies.id, kept.studyId)).run();
    return revision + 1;
  });
}

/** Removes a question with its figures. */
export function removeQuestion(db: Db, id: string): void {
  readQuestion(db, id);
  db.delete(questions).where(eq(questions.id, id)).run();
}
