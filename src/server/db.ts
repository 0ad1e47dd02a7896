import { type Db, openDb } from '../store/open';

let opened: Db | undefined;

/** The server's one database, opened at first use. `DIVIDE_DB` names its file, `DIVIDE_ROOT` the project's folder. */
export function db(): Db {
  opened ??= openDb(process.env['DIVIDE_DB'] ?? 'data/divide.sqlite', process.env['DIVIDE_ROOT'] ?? process.cwd());
  return opened;
}

/** The present moment, as it is kept. */
export const now = (): string => new Date().toISOString();
