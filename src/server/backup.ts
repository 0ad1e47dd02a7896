/** All studies as one database file, and back from such a file. */
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { DomainError } from '../core/numeric/domain-error';
import { type Db, openDb } from '../store/open';
import { allStudies, createStudy, readContent } from '../store/studies';

async function inFolder<T>(use: (folder: string) => Promise<T> | T): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'divide-'));
  try {
    return await use(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The whole database as one file, as it stands at one moment; others read and write meanwhile. */
export const backupOf = (db: Db): Promise<Uint8Array> =>
  inFolder(async (folder) => {
    const file = join(folder, 'backup.sqlite');
    await db.$client.backup(file);
    return readFile(file);
  });

/** Whether a file is a whole database that this version knows. @throws DomainError in words */
function checkBackup(file: string): void {
  let client: Database.Database | undefined;
  try {
    client = new Database(file, { readonly: true });
    if (client.pragma('quick_check(1)', { simple: true }) !== 'ok') throw new Error('it is damaged');
    client.prepare('SELECT count(*) FROM studies').get();
  } catch (error) {
    const why = error instanceof Error ? error.message : 'it cannot be read';
    throw new DomainError(`This is no whole backup of studies (${why}). Nothing was brought back.`);
  } finally {
    client?.close();
  }
}

/**
 * Puts the studies of a backup on the shelf beside those that are there; none is written over.
 * @returns their titles
 * @throws DomainError in words; nothing is kept then
 */
export const bringBack = (db: Db, bytes: Uint8Array, at: string, root: string): Promise<string[]> =>
  inFolder(async (folder) => {
    const file = join(folder, 'backup.sqlite');
    await writeFile(file, bytes);
    checkBackup(file);
    const kept = openDb(file, root);
    try {
      const there = new Set(allStudies(db).map((s) => s.title));
      const content = allStudies(kept).map(({ id }) => readContent(kept, id));
      return content.reverse().map((study) => {
        const title = there.has(study.title) ? `${study.title} (from a backup)`.slice(0, 200) : study.title;
        createStudy(db, { ...study, title }, at);
        return title;
      });
    } finally {
      kept.$client.close();
    }
  });
