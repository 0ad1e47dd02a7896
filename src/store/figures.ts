import { asc, eq, max } from 'drizzle-orm';
import { type FigureStyle, drawnLike } from '../core/figures/figure-style';
import { Gone, NotFound, isKept, newerElsewhere } from './errors';
import { type Made, recordEvent, wasThere } from './events';
import type { Db } from './open';
import { whole } from './transaction';
import { figures } from './schema';

export interface KeptFigure {
  id: string;
  studyId: string;
  questionId: string;
  style: FigureStyle;
  revision: number;
}

/** The figures of a study, in the order they were made. */
export const figuresOf = (db: Db, studyId: string): KeptFigure[] =>
  db.select().from(figures).where(eq(figures.studyId, studyId)).orderBy(asc(figures.position)).all();

/** @throws NotFound, Gone when it was removed */
export function readFigure(db: Db, id: string): KeptFigure {
  const found = db.select().from(figures).where(eq(figures.id, id)).get();
  if (!found && wasThere(db, 'figure', id))
    throw new Gone('This figure was removed; the log of its study brings it back.');
  if (!found) throw new NotFound('There is no such figure: its question may have been removed.');
  return found;
}

/** What the log keeps of a figure. */
const kept = (question: string, style: FigureStyle) => ({ question, style });

export function insertFigure(db: Db, id: string, studyId: string, questionId: string, style: FigureStyle): void {
  const last = db
    .select({ position: max(figures.position) })
    .from(figures)
    .where(eq(figures.studyId, studyId))
    .get();
  const position = (last?.position ?? -1) + 1;
  db.insert(figures).values({ id, studyId, questionId, position, style, revision: 0 }).run();
}

/** Makes a figure of a question, and says so in the log. */
export function makeFigure(
  db: Db,
  id: string,
  studyId: string,
  questionId: string,
  style: FigureStyle,
  made: Made,
): void {
  whole(db, (inside) => {
    insertFigure(inside, id, studyId, questionId, style);
    recordEvent(inside, studyId, made, { kind: 'figure', subject: id, before: null, after: kept(questionId, style) });
  });
}

/** Writes a figure's style as changed. @returns the new revision @throws Conflict, NotFound */
export function updateFigure(db: Db, id: string, revision: number, style: FigureStyle, made: Made): number {
  return whole(db, (inside) => {
    const before = readFigure(inside, id);
    if (before.revision !== revision && isKept(before.style, style)) return before.revision;
    if (before.revision !== revision) throw newerElsewhere('This figure was', before.revision);
    inside
      .update(figures)
      .set({ style, revision: revision + 1 })
      .where(eq(figures.id, id))
      .run();
    recordEvent(inside, before.studyId, made, {
      kind: 'figure',
      subject: id,
      before: kept(before.questionId, before.style),
      after: kept(before.questionId, style),
    });
    return revision + 1;
  });
}

/** Draws every other figure of the study like this one. @returns how many are drawn otherwise now @throws NotFound */
export function drawAllLike(db: Db, id: string, made: Made): number {
  return whole(db, (inside) => {
    const { studyId, style } = readFigure(inside, id);
    const others = figuresOf(inside, studyId).flatMap((other) => {
      const next = drawnLike(other.style, style);
      return other.id === id || isKept(other.style, next) ? [] : [{ ...other, next }];
    });
    for (const { id: other, revision, next } of others) updateFigure(inside, other, revision, next, made);
    return others.length;
  });
}

/** Removes a figure; the log can bring it back. */
export function removeFigure(db: Db, id: string, made: Made): void {
  whole(db, (inside) => {
    const before = readFigure(inside, id);
    inside.delete(figures).where(eq(figures.id, id)).run();
    recordEvent(inside, before.studyId, made, {
      kind: 'figure',
      subject: id,
      before: kept(before.questionId, before.style),
      after: null,
    });
  });
}
