import { statSync } from 'node:fs';
import { NotKept } from './errors';
import type { Db } from './open';

/** The file each open database was, as the disk knows it. */
const fileOf = new WeakMap<object, number>();

const inode = (name: string): number | undefined => statSync(name, { throwIfNoEntry: false })?.ino;

/** @throws NotKept when the database file is no longer where it was: what is written would go nowhere */
function onDisk({ $client }: Db): void {
  // Within another transaction, and where nothing is on a disk, there is nothing to look for.
  if (!($client as unknown) || $client.memory || $client.inTransaction) return;
  const now = inode($client.name);
  const was = fileOf.get($client) ?? now;
  if (was === undefined || now !== was)
    throw new NotKept(
      'The file of the database was deleted or replaced while Divide was running. Keep this page open, put the file back from a backup or copy what you typed, and start Divide again.',
    );
  fileOf.set($client, was);
}

/**
 * Runs `write` as one transaction that either happens whole or not at all; within another it is a part of that one. The
 * file is locked from its beginning, so that what is read in it still holds when it writes.
 */
export const whole = <T>(db: Db, write: (inside: Db) => T): T => {
  onDisk(db);
  return db.transaction((tx) => write(tx as unknown as Db), { behavior: 'immediate' });
};
