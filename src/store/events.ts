import { and, asc, desc, eq, sql } from 'drizzle-orm';
import type { Question } from '../core/question/question';
import type { EventKind, StudyEvent } from '../core/study/content';
import type { Db } from './open';
import { events, studies } from './schema';

/** Who makes a change, and when. */
export interface Made {
  at: string;
  by?: string;
  /** Stands on a line of its own, however soon it follows. */
  apart?: boolean;
}

/** Changes of one thing within this of the first count as one in the log, as a word typed counts as one. */
const together = 60_000;

/** The next line of a study's log, and that the study was changed. */
export function nextLine(db: Db, studyId: string, at: string): number {
  const { line } = db
    .update(studies)
    .set({ lines: sql`${studies.lines} + 1`, changedAt: at })
    .where(eq(studies.id, studyId))
    .returning({ line: studies.lines })
    .get();
  return line;
}

/** The last line of a study's log. */
export const lastLine = (db: Db, studyId: string): number =>
  db.select({ line: studies.lines }).from(studies).where(eq(studies.id, studyId)).get()?.line ?? 0;

/** Whether a change registers a question or withdraws its registration: nothing else belongs to its line. */
function registers(kind: string, before: unknown, after: unknown): boolean {
  if (kind !== 'question') return false;
  const of = (kept: unknown) => JSON.stringify((kept as { question?: Question } | null)?.question?.registered);
  return of(before) !== of(after);
}

/**
 * Keeps that something changed, and that the study did. `before` or `after` is null where it was not there. What follows
 * within a minute of a line's beginning, nothing else having been done meanwhile, belongs to that line.
 */
export function recordEvent(
  db: Db,
  studyId: string,
  { at, by = '', apart = false }: Made,
  change: { kind: EventKind; subject: string; before: unknown; after: unknown },
): void {
  const { kind, subject, before, after } = change;
  const last = db.select().from(events).where(eq(events.studyId, studyId)).orderBy(desc(events.line)).limit(1).get();
  const since = last ? Date.parse(at) - Date.parse(last.at) : NaN;
  const same =
    !apart &&
    !registers(kind, before, after) &&
    last?.kind === kind &&
    !registers(kind, last.before, last.after) &&
    last.subject === subject &&
    last.by === by &&
    last.line === lastLine(db, studyId) &&
    before !== null &&
    last.before !== null &&
    after !== null &&
    since >= 0 &&
    since < together;
  if (!same) {
    db.insert(events)
      .values({ studyId, at, by, kind, subject, before, after, line: nextLine(db, studyId, at) })
      .run();
    return;
  }
  db.update(events).set({ after }).where(eq(events.id, last.id)).run();
  db.update(studies).set({ changedAt: at }).where(eq(studies.id, studyId)).run();
}

type Kept = StudyEvent & { line: number };

/** What happened in a study beside its readings, the oldest first. */
export const eventsOf = (db: Db, studyId: string): Kept[] =>
  db
    .select()
    .from(events)
    .where(eq(events.studyId, studyId))
    .orderBy(asc(events.line))
    .all()
    // What is kept was checked when it was made.
    .map(({ at, by, kind, subject, before, after, line }) => ({ at, by, kind, subject, before, after, line }) as Kept);

/** Whether the log knows a thing that is not there now: it was removed, and can be brought back. */
export const wasThere = (db: Db, kind: EventKind, subject: string): boolean =>
  db
    .select({ line: events.line })
    .from(events)
    .where(and(eq(events.kind, kind), eq(events.subject, subject)))
    .limit(1)
    .get() !== undefined;

/** Puts events of a copied study in as they were. */
export function insertEvents(db: Db, studyId: string, all: readonly StudyEvent[]): void {
  for (const event of all)
    db.insert(events)
      .values({ studyId, ...event })
      .run();
}
