import { and, asc, eq, getTableColumns, isNull, max } from 'drizzle-orm';
import type { Question } from '../core/question/question';
import { piecesIn } from '../core/write-up/document';
import { Gone, NotFound, isKept, newerElsewhere } from './errors';
import { type Made, recordEvent, wasThere } from './events';
import { figuresOf, removeFigure } from './figures';
import type { Db } from './open';
import { whole } from './transaction';
import { readWriteUp } from './write-ups';
import { questions, studies, tables } from './schema';
import { studyOfTable } from './read-table';

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

/** The same with those of removed tables. */
export const everyQuestionOf = (db: Db, studyId: string): KeptQuestion[] =>
  db.select().from(questions).where(eq(questions.studyId, studyId)).orderBy(asc(questions.position)).all();

/** @throws NotFound, Gone when it was removed */
export function readQuestion(db: Db, id: string): KeptQuestion {
  const kept = db.select().from(questions).where(eq(questions.id, id)).get();
  if (!kept && wasThere(db, 'question', id))
    throw new Gone('This question was removed; the log of its study brings it back.');
  if (!kept) throw new NotFound('There is no such question: it may have been removed.');
  return kept;
}

/** What the log keeps of a question. */
const kept = (table: string, question: Question) => ({ table, question });

export function insertQuestion(db: Db, id: string, studyId: string, tableId: string, question: Question): void {
  const last = db
    .select({ position: max(questions.position) })
    .from(questions)
    .where(eq(questions.studyId, studyId))
    .get();
  const position = (last?.position ?? -1) + 1;
  db.insert(questions).values({ id, studyId, tableId, position, question, revision: 0 }).run();
}

/** Asks a question, and says so in the log. */
export function askQuestion(
  db: Db,
  id: string,
  studyId: string,
  tableId: string,
  question: Question,
  made: Made,
): void {
  whole(db, (inside) => {
    insertQuestion(inside, id, studyId, tableId, question);
    recordEvent(inside, studyId, made, { kind: 'question', subject: id, before: null, after: kept(tableId, question) });
  });
}

/** Writes a question as changed. @returns the new revision @throws Conflict, NotFound */
export function updateQuestion(db: Db, id: string, revision: number, next: Question, made: Made): number {
  return whole(db, (inside) => {
    const before = readQuestion(inside, id);
    // A page that was open when names were revealed does not know what it was then.
    const { atReveal = next.atReveal } = before.question;
    const question = atReveal === undefined ? next : { ...next, atReveal };
    if (before.revision !== revision && isKept(before.question, question)) return before.revision;
    if (before.revision !== revision) throw newerElsewhere('This question was', before.revision);
    inside
      .update(questions)
      .set({ question, revision: revision + 1 })
      .where(eq(questions.id, id))
      .run();
    recordEvent(inside, before.studyId, made, {
      kind: 'question',
      subject: id,
      before: kept(before.tableId, before.question),
      after: kept(before.tableId, question),
    });
    return revision + 1;
  });
}

/**
 * Puts the questions of a table in the order of their ids; those that are not among them, asked meanwhile in another
 * window, follow. The order is how a study is listed, not part of what was done: the log does not tell of it.
 * @throws NotFound
 */
export function orderQuestions(db: Db, tableId: string, order: readonly string[], at: string): void {
  whole(db, (inside) => {
    const all = inside
      .select()
      .from(questions)
      .where(eq(questions.tableId, tableId))
      .orderBy(asc(questions.position))
      .all();
    const studyId = studyOfTable(inside, tableId);
    const place = (id: string): number => (order.includes(id) ? order.indexOf(id) : order.length);
    const positions = all.map((q) => q.position);
    all
      .toSorted((p, q) => place(p.id) - place(q.id))
      .forEach(({ id }, i) =>
        inside.update(questions).set({ position: positions[i] }).where(eq(questions.id, id)).run(),
      );
    inside.update(studies).set({ changedAt: at }).where(eq(studies.id, studyId)).run();
  });
}

/** What comes from a question: its figures, and the pieces of the write-up that it or they give. @throws NotFound */
export function usesOf(db: Db, id: string): { figures: number; pieces: number } {
  const { studyId } = readQuestion(db, id);
  const figures = figuresOf(db, studyId).filter((f) => f.questionId === id);
  const writeUp = readWriteUp(db, studyId)?.writeUp;
  const pieces = (writeUp ? piecesIn(writeUp) : []).filter(({ attrs }) =>
    'question' in attrs ? attrs.question === id : 'figure' in attrs && figures.some((f) => f.id === attrs.figure),
  );
  return { figures: figures.length, pieces: pieces.length };
}

/** Removes a question with its figures; the log can bring them back. */
export function removeQuestion(db: Db, id: string, made: Made): void {
  whole(db, (inside) => {
    const before = readQuestion(inside, id);
    for (const figure of figuresOf(inside, before.studyId))
      if (figure.questionId === id) removeFigure(inside, figure.id, made);
    inside.delete(questions).where(eq(questions.id, id)).run();
    recordEvent(inside, before.studyId, made, {
      kind: 'question',
      subject: id,
      before: kept(before.tableId, before.question),
      after: null,
    });
  });
}
