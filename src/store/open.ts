import { mkdirSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

export type Db = BetterSQLite3Database<typeof schema> & { $client: Database.Database };

/**
 * Opens a database file, making it and bringing it to the newest schema where needed.
 * Every commit is on the disk before it returns (`synchronous = FULL`), so what was acknowledged outlives a crash.
 * @param file path of the database, or ':memory:'
 * @param root the project's folder, where the migrations lie
 */
export function openDb(file: string, root: string): Db {
  if (file !== ':memory:') mkdirSync(dirname(resolve(file)), { recursive: true });
  const client = new Database(file);
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('foreign_keys = ON');
  client.pragma('busy_timeout = 5000');
  const db = drizzle(client, { schema });
  migrate(db, { migrationsFolder: resolve(root, 'src/store/migrations') });
  return db;
}
