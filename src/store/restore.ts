import { asc, eq } from 'drizzle-orm';
import type { StudyEvent } from '../core/study/content';
import { type Made, eventsOf, lastLine, recordEvent } from './events';
import { figuresOf, makeFigure, removeFigure, updateFigure } from './figures';
import type { Db } from './open';
import { askQuestion, questionsOf, removeQuestion, updateQuestion } from './questions';
import { tables } from './schema';
import { readStudy, renameStudy } from './studies';
import { changesOf } from './table-changes';
import { editTable } from './change-table';
import { readTable } from './read-table';
import { deleteTable, restoreTable } from './tables';
import { whole } from './transaction';
import { readWriteUp, updateWriteUp } from './write-ups';

type Before<K extends StudyEvent['kind']> = Extract<StudyEvent, { kind: K }>['before'];

/** The changes of a table after a line that still show in it, the newest first. */
function shownSince(db: Db, id: string, line: number) {
  const all = changesOf(db, id, Infinity, line);
  const stepped = new Set(all.map((c) => c.steps));
  // What was taken back before steps were kept on lines of their own left no other trace.
  return all.filter((c) => !c.undone || stepped.has(c.line));
}

/** Takes back the changes of each table made after a line, as one change that can itself be undone. */
function restoreTables(
  db: Db,
  studyId: string,
  line: number,
  first: ReadonlyMap<string, StudyEvent>,
  made: Made,
): void {
  const all = db.select().from(tables).where(eq(tables.studyId, studyId)).orderBy(asc(tables.position)).all();
  for (const { id, line: begun, deletedAt } of all) {
    const event = first.get(`table ${id}`);
    const there = begun <= line && (event ? event.before !== null : deletedAt === null);
    if (there && deletedAt !== null) restoreTable(db, id, made);
    if (!there && deletedAt === null) deleteTable(db, id, made);
    if (!there) continue;
    const edits = shownSince(db, id, line).flatMap((c) => c.inverse);
    if (edits.length > 0) editTable(db, id, readTable(db, id).revision, edits, made.at, made.by ?? '');
  }
}

function restoreQuestion(db: Db, studyId: string, id: string, before: Before<'question'>, made: Made): void {
  const now = questionsOf(db, studyId).find((q) => q.id === id);
  if (before === null) {
    if (now) removeQuestion(db, id, made);
    return;
  }
  const { table, question } = before;
  if (now) updateQuestion(db, id, now.revision, question, made);
  else askQuestion(db, id, studyId, table, question, made);
}

function restoreFigure(db: Db, studyId: string, id: string, before: Before<'figure'>, made: Made): void {
  const now = figuresOf(db, studyId).find((f) => f.id === id);
  if (before === null) {
    if (now) removeFigure(db, id, made);
    return;
  }
  const { question, style } = before;
  if (now) updateFigure(db, id, now.revision, style, made);
  else makeFigure(db, id, studyId, question, style, made);
}

/** Puts one thing back to what it was before its first change after the line. */
function restoreOne(db: Db, studyId: string, event: StudyEvent, made: Made): void {
  switch (event.kind) {
    case 'question':
      return restoreQuestion(db, studyId, event.subject, event.before, made);
    case 'figure':
      return restoreFigure(db, studyId, event.subject, event.before, made);
    case 'write-up': {
      const now = readWriteUp(db, studyId);
      // A write-up begun since is emptied rather than taken away: it may hold the only copy of someone's words elsewhere.
      const writeUp = event.before ?? { type: 'doc' as const, content: [] };
      updateWriteUp(db, studyId, now?.revision ?? 0, writeUp, made);
      return;
    }
    case 'study':
      if (event.before !== null) renameStudy(db, studyId, event.before, made);
      return;
    case 'table':
    case 'restored':
      return;
  }
}

/**
 * Puts a study back to how it was just after a line of its log: readings, questions, figures, the write-up and the title.
 * It stands in the log as one line, and can be gone back from the same way.
 * @throws NotFound
 */
export function restoreStudyTo(db: Db, studyId: string, line: number, by: Made): void {
  readStudy(db, studyId);
  const made: Made = { ...by, apart: true };
  whole(db, (inside) => {
    const from = lastLine(inside, studyId);
    // Questions need their tables, figures their questions: tables first, and what is removed goes in the other order.
    const first = new Map<string, StudyEvent>();
    for (const event of eventsOf(inside, studyId))
      if (event.line > line && !first.has(`${event.kind} ${event.subject}`))
        first.set(`${event.kind} ${event.subject}`, event);
    restoreTables(inside, studyId, line, first, made);
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
    recordEvent(inside, studyId, made, {
      kind: 'restored',
      subject: studyId,
      before: { line: from },
      after: { line },
    });
  });
}
