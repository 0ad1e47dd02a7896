import type { Db } from './open';

/**
 * Runs `write` as one transaction that either happens whole or not at all; within another it is a part of that one. The
 * file is locked from its beginning, so that what is read in it still holds when it writes.
 */
export const whole = <T>(db: Db, write: (inside: Db) => T): T =>
  db.transaction((tx) => write(tx as unknown as Db), { behavior: 'immediate' });
