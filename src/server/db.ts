import { userInfo } from 'node:os';
import { type Db, openDb } from '../store/open';

let opened: Db | undefined;

/** The server's one database, opened at first use. `DIVIDE_DB` names its file, `DIVIDE_ROOT` the project's folder. */
export function db(): Db {
  opened ??= openDb(process.env['DIVIDE_DB'] ?? 'data/divide.sqlite', process.env['DIVIDE_ROOT'] ?? process.cwd());
  return opened;
}

/** The name this computer knows the person by, for the log. */
export function who(): string {
  try {
    return userInfo().username;
  } catch {
    return '';
  }
}

/** Who makes a change now, as it is kept. */
export const made = () => ({ at: now(), by: who() });

/** The present moment, as it is kept. */
export const now = (): string => new Date().toISOString();
