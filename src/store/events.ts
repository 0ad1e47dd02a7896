import { asc, desc, eq } from 'drizzle-orm';
import type { EventKind, StudyEvent } from '../core/study/content';
import type { Db } from './open';
import { events, studies } from './schema';

/** Who makes a change, and when. */
export interface Made {
  at: string;
  by?: string;
}

/** Changes of one thing closer than this count as one in the log, as a word typed counts as one. */
const together = 60_000;

/** Keeps that something changed, and that the study did. `before` or `after` is null where it was not there. */
export function recordEvent(
  db: Db,
  studyId: string,
  { at, by = '' }: Made,
  change: { kind: EventKind; subject: string; before: unknown; after: unknown },
): void {
  const { kind, subject, before, after } = change;
  db.update(studies).set({ changedAt: at }).where(eq(studies.id, studyId)).run();
  const last = db.select().from(events).where(eq(events.studyId, studyId)).orderBy(desc(events.id)).limit(1).get();
  const same =
    last?.kind === kind &&
    last.subject === subject &&
    last.by === by &&
    before !== null &&
    last.before !== null &&
    after !== null &&
    Date.parse(at) - Date.parse(last.at) < together;
  if (same) db.update(events).set({ at, after }).where(eq(events.id, last.id)).run();
  else db.insert(events).values({ studyId, at, by, kind, subject, before, after }).run();
}

/** What happened in a study beside its readings, the oldest first. */
export const eventsOf = (db: Db, studyId: string): StudyEvent[] =>
  db
    .select()
    .from(events)
    .where(eq(events.studyId, studyId))
    .orderBy(asc(events.id))
    .all()
    .map(({ at, by, kind, subject, before, after }) => ({ at, by, kind, subject, before, after }));

/** Puts events of a copied study in as they were. */
export function insertEvents(db: Db, studyId: string, all: readonly StudyEvent[]): void {
  for (const event of all)
    db.insert(events)
      .values({ studyId, ...event })
      .run();
}
