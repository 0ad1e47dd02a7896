import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { Question } from '../core/question/question';
import type { FigureStyle } from '../core/figures/figure-style';
import type { Table } from '../core/readings/table';
import { NotFound } from './errors';
import { figuresOf, insertFigure } from './figures';
import type { Db } from './open';
import { insertQuestion, questionsOf } from './questions';
import { studies, tables } from './schema';
import { insertTable, readTable } from './tables';

export type KeptStudy = typeof studies.$inferSelect;

/** A study as it is made in one go: by the demo, or as a copy. Ids within it are made new when it is kept. */
export interface StudyDraft {
  title: string;
  /** Where the readings came from, for the log. */
  origin?: string;
  tables: { table: Table; questions: { question: Question; figures: FigureStyle[] }[] }[];
}

/** @throws NotFound, also for a study that was deleted */
export function readStudy(db: Db, id: string): KeptStudy {
  const kept = db
    .select()
    .from(studies)
    .where(and(eq(studies.id, id), isNull(studies.deletedAt)))
    .get();
  if (!kept) throw new NotFound('There is no such study: it may have been deleted.');
  return kept;
}

/** All studies on the shelf, the last changed first. */
export const allStudies = (db: Db): KeptStudy[] =>
  db.select().from(studies).where(isNull(studies.deletedAt)).orderBy(desc(studies.changedAt), desc(studies.id)).all();

/** The ids of a study's tables, in order. */
export const tableIdsOf = (db: Db, studyId: string): string[] =>
  db
    .select({ id: tables.id })
    .from(tables)
    .where(and(eq(tables.studyId, studyId), isNull(tables.deletedAt)))
    .orderBy(asc(tables.position))
    .all()
    .map((t) => t.id);

/** Keeps a new study. @returns its id */
export function createStudy(db: Db, draft: StudyDraft, at: string): string {
  const id = nanoid(12);
  db.transaction((tx) => {
    const inside = tx as unknown as Db;
    inside.insert(studies).values({ id, title: draft.title, createdAt: at, changedAt: at, deletedAt: null }).run();
    draft.tables.forEach(({ table, questions }, position) => {
      const tableId = nanoid(12);
      insertTable(inside, id, position, { ...table, id: tableId }, { at, origin: draft.origin ?? '' });
      for (const { question, figures } of questions) {
        const questionId = nanoid(12);
        insertQuestion(inside, questionId, id, tableId, question);
        for (const style of figures) insertFigure(inside, nanoid(12), id, questionId, style);
      }
    });
  });
  return id;
}

export function renameStudy(db: Db, id: string, title: string, at: string): void {
  readStudy(db, id);
  db.update(studies).set({ title, changedAt: at }).where(eq(studies.id, id)).run();
}

/** Takes a study off the shelf; it can be put back. */
export function deleteStudy(db: Db, id: string, at: string): void {
  readStudy(db, id);
  db.update(studies).set({ deletedAt: at }).where(eq(studies.id, id)).run();
}

/** Puts a deleted study back on the shelf. @throws NotFound */
export function restoreStudy(db: Db, id: string): void {
  const restored = db.update(studies).set({ deletedAt: null }).where(eq(studies.id, id)).run();
  if (restored.changes === 0) throw new NotFound('There is no such study to bring back.');
}

/** Copies a study with all that is in it. @returns the copy's id */
export function duplicateStudy(db: Db, id: string, at: string): string {
  const { title } = readStudy(db, id);
  const questions = questionsOf(db, id);
  const figures = figuresOf(db, id);
  return createStudy(
    db,
    {
      title: `${title} (copy)`.slice(0, 200),
      origin: `copied from the study “${title}”`,
      tables: tableIdsOf(db, id).map((tableId) => ({
        table: readTable(db, tableId).table,
        questions: questions
          .filter((q) => q.tableId === tableId)
          .map((q) => ({
            question: q.question,
            figures: figures.filter((f) => f.questionId === q.id).map((f) => f.style),
          })),
      })),
    },
    at,
  );
}
