import { type Db, openDb } from '../store/open';
import { who } from './who';

let opened: Db | undefined;

/** What was written ahead goes into the one file before the process ends, so that a copy of it is a copy of all. */
function closedAtExit(db: Db): Db {
  process.once('exit', () => {
    if (!db.$client.open) return;
    db.$client.pragma('wal_checkpoint(TRUNCATE)');
    db.$client.close();
  });
  return db;
}

/** The server's one database, opened at first use. `DIVIDE_DB` names its file, `DIVIDE_ROOT` the project's folder. */
export function db(): Db {
  opened ??= closedAtExit(
    openDb(process.env['DIVIDE_DB'] ?? 'data/divide.sqlite', process.env['DIVIDE_ROOT'] ?? process.cwd()),
  );
  return opened;
}

/** Who makes a change now, as it is kept. */
export const made = () => ({ at: now(), by: who() });

/** The present moment, as it is kept. */
export const now = (): string => new Date().toISOString();
