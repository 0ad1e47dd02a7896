import { eq } from 'drizzle-orm';
import type { WriteUp } from '../core/write-up/document';
import { isKept, newerElsewhere } from './errors';
import { type Made, recordEvent } from './events';
import type { Db } from './open';
import { whole } from './transaction';
import { writeUps } from './schema';

/** A write-up with the number of changes it has seen; undefined before it is begun. */
export const readWriteUp = (db: Db, studyId: string): { writeUp: WriteUp; revision: number } | undefined =>
  db
    .select({ writeUp: writeUps.writeUp, revision: writeUps.revision })
    .from(writeUps)
    .where(eq(writeUps.studyId, studyId))
    .get();

/** Puts a write-up in, or in the place of the one there. */
export function insertWriteUp(db: Db, studyId: string, writeUp: WriteUp, revision = 0): void {
  db.insert(writeUps)
    .values({ studyId, writeUp, revision })
    .onConflictDoUpdate({ target: writeUps.studyId, set: { writeUp, revision } })
    .run();
}

/** Writes a write-up as changed; revision 0 begins one. @returns the new revision @throws Conflict */
export function updateWriteUp(db: Db, studyId: string, revision: number, writeUp: WriteUp, made: Made): number {
  return whole(db, (inside) => {
    const before = readWriteUp(inside, studyId);
    if (before && before.revision !== revision && isKept(before.writeUp, writeUp)) return before.revision;
    if ((before?.revision ?? 0) !== revision) throw newerElsewhere('The write-up was', before?.revision ?? 0);
    insertWriteUp(inside, studyId, writeUp, revision + 1);
    recordEvent(inside, studyId, made, {
      kind: 'write-up',
      subject: studyId,
      before: before?.writeUp ?? null,
      after: writeUp,
    });
    return revision + 1;
  });
}
