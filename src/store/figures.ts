import { asc, eq } from 'drizzle-orm';
import type { FigureStyle } from '../core/figures/figure-style';
import { NotFound, newerElsewhere } from './errors';
import type { Db } from './open';
import { figures, studies } from './schema';

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

/** @throws NotFound */
export function readFigure(db: Db, id: string): KeptFigure {
  const kept = db.select().from(figures).where(eq(figures.id, id)).get();
  if (!kept) throw new NotFound('There is no such figure: its question may have been removed.');
  return kept;
}

export function insertFigure(db: Db, id: string, studyId: string, questionId: string, style: FigureStyle): void {
  const position = figuresOf(db, studyId).length;
  db.insert(figures).values({ id, studyId, questionId, position, style, revision: 0 }).run();
}

/** Writes a figure's style as changed. @returns the new revision @throws Conflict, NotFound */
export function updateFigure(db: Db, id: string, revision: number, style: FigureStyle, at: string): number {
  return db.transaction((tx) => {
    const inside = tx as unknown as Db;
    const kept = readFigure(inside, id);
    if (kept.revision !== revision) throw newerElsewhere('This figure was', kept.revision);
    inside
      .update(figures)
      .set({ style, revision: revision + 1 })
      .where(eq(figures.id, id))
      .run();
    inside.update(studies).set({ changedAt: at }).where(eq(studies.id, kept.studyId)).run();
    return revision + 1;
  });
}

export function removeFigure(db: Db, id: string): void {
  readFigure(db, id);
  db.delete(figures).where(eq(figures.id, id)).run();
}
