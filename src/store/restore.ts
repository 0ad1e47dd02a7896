import { asc, eq } from 'drizzle-orm';
import { FigureStyle } from '../core/figures/figure-style';
import { Question } from '../core/question/question';
import type { StudyEvent } from '../core/study/content';
import { WriteUp } from '../core/write-up/document';
import * as v from 'valibot';
import { type Made, eventsOf } from './events';
import { figuresOf, makeFigure, removeFigure, updateFigure } from './figures';
import type { Db } from './open';
import { askQuestion, questionsOf, removeQuestion, updateQuestion } from './questions';
import { tables } from './schema';
import { readStudy, renameStudy } from './studies';
import { deleteTable, editTable, readTable, restoreTable, wholeChangesOf } from './tables';
import { readWriteUp, updateWriteUp } from './write-ups';

const KeptQuestion = v.object({ table: v.string(), question: Question });
const KeptFigure = v.object({ question: v.string(), style: FigureStyle });

/** Takes back the changes of each table made after a moment, as one change that can itself be undone. */
function restoreTables(
  db: Db,
  studyId: string,
  point: string,
  first: ReadonlyMap<string, StudyEvent>,
  made: Made,
): void {
  const all = db.select().from(tables).where(eq(tables.studyId, studyId)).orderBy(asc(tables.position)).all();
  for (const { id, createdAt, deletedAt } of all) {
    const event = first.get(`table ${id}`);
    const there = createdAt <= point && (event ? event.before !== null : deletedAt === null);
    if (there && deletedAt !== null) restoreTable(db, id, made);
    if (!there && deletedAt === null) deleteTable(db, id, made);
    if (!there) continue;
    const since = wholeChangesOf(db, id).filter((c) => c.at > point && !c.undone);
    const edits = since.reverse().flatMap((c) => c.inverse);
    if (edits.length > 0) editTable(db, id, readTable(db, id).revision, edits, made.at, made.by ?? '');
  }
}

function restoreQuestion(db: Db, studyId: string, id: string, before: unknown, made: Made): void {
  const now = questionsOf(db, studyId).find((q) => q.id === id);
  if (before === null) {
    if (now) removeQuestion(db, id, made);
    return;
  }
  const { table, question } = v.parse(KeptQuestion, before);
  if (now) updateQuestion(db, id, now.revision, question, made);
  else askQuestion(db, id, studyId, table, question, made);
}

function restoreFigure(db: Db, studyId: string, id: string, before: unknown, made: Made): void {
  const now = figuresOf(db, studyId).find((f) => f.id === id);
  if (before === null) {
    if (now) removeFigure(db, id, made);
    return;
  }
  const { question, style } = v.parse(KeptFigure, before);
  if (now) updateFigure(db, id, now.revision, style, made);
  else makeFigure(db, id, studyId, question, style, made);
}

/** Puts one thing back to what it was before its first change after the moment. */
function restoreOne(db: Db, studyId: string, { kind, subject, before }: StudyEvent, made: Made): void {
  switch (kind) {
    case 'question':
      return restoreQuestion(db, studyId, subject, before, made);
    case 'figure':
      return restoreFigure(db, studyId, subject, before, made);
    case 'write-up': {
      const now = readWriteUp(db, studyId);
      // A write-up begun since is emptied rather than taken away: it may hold the only copy of someone's words elsewhere.
      const writeUp = before === null ? { type: 'doc' as const, content: [] } : v.parse(WriteUp, before);
      updateWriteUp(db, studyId, now?.revision ?? 0, writeUp, made);
      return;
    }
    case 'study':
      if (typeof before === 'string') renameStudy(db, studyId, before, made);
      return;
    case 'table':
      return;
  }
}

/**
 * Puts a study back to how it was just after a moment: readings, questions, figures, the write-up and the title. All of
 * it is a change like any other and stands in the log, so that it can be taken back the same way. What had been undone by
 * then stays undone.
 * @throws NotFound
 */
export function restoreStudyTo(db: Db, studyId: string, point: string, made: Made): void {
  readStudy(db, studyId);
  db.transaction((tx) => {
    const inside = tx as unknown as Db;
    // Questions need their tables, figures their questions: tables first, and what is removed goes in the other order.
    const first = new Map<string, StudyEvent>();
    for (const event of eventsOf(inside, studyId))
      if (event.at > point && !first.has(`${event.kind} ${event.subject}`))
        first.set(`${event.kind} ${event.subject}`, event);
    restoreTables(inside, studyId, point, first, made);
    const all = [...first.values()];
    const of = (kind: StudyEvent['kind'], back: boolean) =>
      all.filter((e) => e.kind === kind && (e.before !== null) === back);
    for (const event of [
      ...of('question', true),
      ...of('figure', true),
      ...of('figure', false),
      ...of('question', false),
      ...of('write-up', true),
      ...of('write-up', false),
      ...of('study', true),
    ])
      restoreOne(inside, studyId, event, made);
  });
}
