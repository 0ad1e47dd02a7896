import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import { nanoid } from 'nanoid';
import type { FigureStyle } from '../core/figures/figure-style';
import { mostOf } from '../core/numeric/extremes';
import { draftOf } from '../core/readings/table-edit';
import { type StudyContent, type StudyEvent, numbered, withIds } from '../core/study/content';
import { Gone, NotFound } from './errors';
import { type Made, eventsOf, insertEvents, recordEvent } from './events';
import { figuresOf, insertFigure } from './figures';
import type { Db } from './open';
import { whole } from './transaction';
import { everyQuestionOf, insertQuestion } from './questions';
import { studies, tables } from './schema';
import { changesOf, insertChanges } from './table-changes';
import { madeOf, readTable } from './read-table';
import { insertTable } from './tables';
import { insertWriteUp, readWriteUp } from './write-ups';

export type KeptStudy = typeof studies.$inferSelect;

/** @throws NotFound, Gone for a study that was deleted */
export function readStudy(db: Db, id: string): KeptStudy {
  const kept = db.select().from(studies).where(eq(studies.id, id)).get();
  if (kept && kept.deletedAt !== null) throw new Gone('This study was deleted; the shelf brings it back.');
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

/** A figure's style with the ids of a copy in place of those of the figures beside it. */
const movedStyle = (style: FigureStyle, idOf: (old: string) => string): FigureStyle => ({
  ...style,
  ...(style.beside ? { beside: style.beside.map(idOf) } : {}),
});

/** An event with the ids of a copy in place of those it had. */
function movedEvent(event: StudyEvent, idOf: (old: string) => string): StudyEvent {
  const { kind } = event;
  const subject = idOf(event.subject);
  const both = <T>(before: T | null, after: T | null, move: (state: T) => T) => ({
    subject,
    before: before === null ? null : move(before),
    after: after === null ? null : move(after),
  });
  if (kind === 'question')
    return { ...event, ...both(event.before, event.after, (q) => ({ ...q, table: idOf(q.table) })) };
  if (kind === 'figure')
    return {
      ...event,
      ...both(event.before, event.after, ({ question, style }) => ({
        question: idOf(question),
        style: movedStyle(style, idOf),
      })),
    };
  if (kind === 'write-up') return { ...event, ...both(event.before, event.after, (w) => withIds(w, idOf)) };
  return { ...event, subject };
}

/**
 * Keeps a new study; ids within it are made new.
 * @param study the id it had, where it is a copy
 * @param ids filled with the new id of each old one
 * @returns its id
 */
export function createStudy(
  db: Db,
  given: StudyContent,
  at: string,
  study = '',
  ids = new Map<string, string>(),
): string {
  const content = numbered(given);
  const id = nanoid(12);
  if (study !== '') ids.set(study, id);
  const idOf = (old: string): string => {
    const made = ids.get(old) ?? nanoid(12);
    ids.set(old, made);
    return made;
  };
  whole(db, (inside) => {
    const { title, tables: kept, events = [] } = content;
    const told = [...kept, ...kept.flatMap((t) => t.changes ?? []), ...events];
    const lines = mostOf([0, ...told.map(({ line = 0 }) => line)]);
    inside.insert(studies).values({ id, title, createdAt: at, changedAt: at, deletedAt: null, lines }).run();
    kept.forEach(({ id: old, table, at: begun = at, line = 0, changes = [], ...made }, position) => {
      insertTable(inside, id, position, { ...table, id: idOf(old) }, { ...made, at: begun, line });
      insertChanges(inside, idOf(old), changes);
    });
    for (const { id: old, table, question } of content.questions)
      insertQuestion(inside, idOf(old), id, idOf(table), question);
    for (const { id: old, question, style } of content.figures)
      insertFigure(inside, idOf(old), id, idOf(question), movedStyle(style, idOf));
    if (content.writeUp) insertWriteUp(inside, id, withIds(content.writeUp, idOf), 1);
    insertEvents(
      inside,
      id,
      events.map((event) => movedEvent(event, idOf)),
    );
  });
  return id;
}

/** All that is kept of a study, with the tables taken out of it that going back may bring back. @throws NotFound */
export function readContent(db: Db, id: string): StudyContent {
  const { title } = readStudy(db, id);
  const writeUp = readWriteUp(db, id)?.writeUp;
  const every = db
    .select({ id: tables.id })
    .from(tables)
    .where(eq(tables.studyId, id))
    .orderBy(asc(tables.position))
    .all();
  return {
    title,
    tables: every.map(({ id: tableId }) => {
      const { at, ...made } = madeOf(db, tableId);
      return {
        id: tableId,
        table: draftOf(readTable(db, tableId).table),
        ...made,
        ...(at ? { at } : {}),
        changes: changesOf(db, tableId).reverse(),
      };
    }),
    questions: everyQuestionOf(db, id).map((q) => ({ id: q.id, table: q.tableId, question: q.question })),
    figures: figuresOf(db, id).map((f) => ({ id: f.id, question: f.questionId, style: f.style })),
    ...(writeUp ? { writeUp } : {}),
    events: eventsOf(db, id),
  };
}

export function renameStudy(db: Db, id: string, title: string, made: Made): void {
  whole(db, (inside) => {
    const before = readStudy(inside, id);
    inside.update(studies).set({ title }).where(eq(studies.id, id)).run();
    recordEvent(inside, id, made, { kind: 'study', subject: id, before: before.title, after: title });
  });
}

/** Sets when a study was taken off the shelf, or that it is on it, with its line in the log. */
const offShelf = (db: Db, id: string, made: Made, off: boolean): void => {
  whole(db, (inside) => {
    const kept = inside.select().from(studies).where(eq(studies.id, id)).get();
    if (!kept) throw new NotFound('There is no such study: it was deleted for good.');
    if ((kept.deletedAt !== null) === off) return;
    inside
      .update(studies)
      .set({ deletedAt: off ? made.at : null })
      .where(eq(studies.id, id))
      .run();
    const [before, after] = off ? [kept.title, null] : [null, kept.title];
    recordEvent(inside, id, made, { kind: 'study', subject: id, before, after });
  });
};

/** Takes a study off the shelf; it can be put back. @throws NotFound */
export function deleteStudy(db: Db, id: string, made: Made): void {
  readStudy(db, id);
  offShelf(db, id, made, true);
}

/** Puts a deleted study back on the shelf. @throws NotFound */
export const restoreStudy = (db: Db, id: string, made: Made): void => offShelf(db, id, made, false);

/** The studies taken off the shelf, the last first. */
export const deletedStudies = (db: Db): { id: string; title: string; at: string }[] =>
  db
    .select({ id: studies.id, title: studies.title, at: studies.deletedAt })
    .from(studies)
    .where(isNotNull(studies.deletedAt))
    .orderBy(desc(studies.deletedAt))
    .all()
    .map(({ id, title, at }) => ({ id, title, at: at ?? '' }));

/** Deletes for good a study that was taken off the shelf, with all that is in it. @throws NotFound when it was not */
export function deleteForGood(db: Db, id: string): void {
  const gone = db
    .delete(studies)
    .where(and(eq(studies.id, id), isNotNull(studies.deletedAt)))
    .run();
  if (gone.changes === 0)
    throw new NotFound('There is no such study among the deleted: only those are deleted for good.');
}

/** Copies a study with all that is in it. @returns the copy's id */
export function duplicateStudy(db: Db, id: string, at: string): string {
  const content = readContent(db, id);
  return createStudy(db, { ...content, title: `${content.title} (copy)`.slice(0, 200) }, at, id);
}
