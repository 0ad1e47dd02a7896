/** What is made sure of a database file before anything is served from it. */
import { chmodSync, existsSync, mkdirSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { basename, dirname, join, resolve, sep } from 'node:path';
import Database from 'better-sqlite3';
import { openDb } from '../../store/open';

/** Why nothing can be served, and what would help, in words. */
export class NotServed extends Error {}

/**
 * Holds the file for one server. The lock is the operating system's own, on a file beside it: it goes when the process
 * does, however that ends.
 * @returns what lets it go
 * @throws NotServed when another server has it
 */
export function held(file: string): () => void {
  let lock: Database.Database | undefined;
  try {
    lock = new Database(`${file}.lock`, { timeout: 0 });
    lock.pragma('journal_mode = DELETE');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock?.close();
    const code = error instanceof Error && 'code' in error ? String(error.code) : '';
    if (!code.startsWith('SQLITE_BUSY'))
      throw new NotServed(
        `${file}.lock cannot be written (${error instanceof Error ? error.message : code}). Give yourself the right to write there.`,
      );
    throw new NotServed(
      `another Divide serves ${file} already. Use that one, or stop it first; two servers on one file would write over each other.`,
    );
  }
  const kept = lock;
  return () => kept.close();
}

/** How many migrations this version knows, and how many a database has seen; undefined before the first. */
function migrationsOf(client: Database.Database, root: string): { known: number; seen: number | undefined } {
  const journal = JSON.parse(readFileSync(join(root, 'src/store/migrations/meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  const kept = client.prepare("SELECT 1 FROM sqlite_master WHERE name = '__drizzle_migrations'").get() !== undefined;
  const last = kept
    ? (client.prepare('SELECT max(created_at) FROM __drizzle_migrations').pluck().get() as number | null)
    : null;
  const known = journal.entries.length;
  if (last === null) return { known, seen: undefined };
  return {
    known,
    seen: last > (journal.entries.at(-1)?.when ?? 0) ? Infinity : journal.entries.filter((e) => e.when <= last).length,
  };
}

/** Changes who may read a file, where it is the person's own. */
function setMode(path: string, mode: number): void {
  try {
    chmodSync(path, mode);
  } catch (error) {
    if (!(error instanceof Error && 'code' in error && error.code === 'EPERM')) throw error;
  }
}

/** Nobody but the person reads what is kept; a folder that is not Divide's own stays as others need it. */
function closedToOthers(file: string, root: string): void {
  const folder = dirname(resolve(file));
  if (folder.startsWith(`${resolve(root)}${sep}`)) setMode(folder, 0o700);
  for (const name of readdirSync(folder)) if (name.startsWith(basename(file))) setMode(join(folder, name), 0o600);
}

/**
 * Checks that a database can be served: whole, not of a newer version, its folder closed to others; one that a migration
 * will change is copied beside itself first.
 * @returns what to tell the person, if anything
 * @throws NotServed in words
 */
export function checked(file: string, root: string): string | undefined {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  let copy: string | undefined;
  if (existsSync(file) && statSync(file).size > 0) {
    let client: Database.Database | undefined;
    try {
      client = new Database(file);
      const [found] = client.pragma('quick_check(1)') as { quick_check: string }[];
      if (found?.quick_check !== 'ok') throw new NotServed(damaged(file, found?.quick_check ?? 'it cannot be read'));
      const { known, seen } = migrationsOf(client, root);
      if (seen === Infinity)
        throw new NotServed(
          `${file} was kept by a newer Divide. Bring this one up to date, or name another file in DIVIDE_DB; nothing was changed.`,
        );
      if (seen !== undefined && seen < known) {
        copy = `${file}.before-${seen}-${new Date().toISOString().slice(0, 10)}`;
        if (!existsSync(copy)) client.prepare('VACUUM INTO ?').run(copy);
      }
    } catch (error) {
      if (error instanceof NotServed) throw error;
      throw new NotServed(damaged(file, error instanceof Error ? error.message : 'it cannot be read'));
    } finally {
      client?.close();
    }
  }
  openDb(file, root).$client.close();
  closedToOthers(file, root);
  return copy && `It was brought up to this version; as it was before it stands in ${copy}.`;
}

const damaged = (file: string, why: string): string =>
  `${file} is not a whole database (${why}). It was left as it is. Put a backup in its place, or name another file in DIVIDE_DB.`;
