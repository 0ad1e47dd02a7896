/** Pages as they were last drawn: given again as they are until anything they show may have changed. */
import type { Db } from '../store/open';

interface Drawn {
  version: string;
  body: string;
  headers: [string, string][];
}

/** Pages held at once, the least lately asked for making room; and the longest that is held, in letters. */
const most = 100;
const longest = 1_000_000;
const known = new Map<string, Drawn>();

/** Which state a study is in: each write to it is a line of its log, or counts a revision up. */
export function studyVersion(db: Db, id: string): string {
  const state = db.$client
    .prepare(
      `SELECT title, lines, changedAt, deletedAt,
        (SELECT sum(revision) FROM tables WHERE studyId = studies.id),
        (SELECT sum(revision) FROM questions WHERE studyId = studies.id),
        (SELECT sum(revision) FROM figures WHERE studyId = studies.id),
        (SELECT sum(revision) FROM write_ups WHERE studyId = studies.id)
      FROM studies WHERE id = ?`,
    )
    .raw()
    .get(id);
  return JSON.stringify(state ?? 'none');
}

/** Which state the database is in: what this connection wrote, and what any other did, counts it up. */
function databaseVersion(db: Db): string {
  const others = db.$client.pragma('data_version', { simple: true }) as number;
  const own = db.$client.prepare('SELECT total_changes()').pluck().get() as number;
  return `${others} ${own}`;
}

const isPage = (response: Response): boolean =>
  response.status === 200 && (response.headers.get('content-type') ?? '').startsWith('text/html');

/**
 * A page as it was drawn before, where nothing it shows was written since; drawn anew otherwise.
 * @param path of the page: those of a study show nothing of another
 * @param more all that the page depends on beside its path and the database
 */
export async function drawnOnce(db: Db, path: string, more: string, draw: () => Promise<Response>): Promise<Response> {
  const key = `${path} ${more}`;
  const [, study] = /^\/studies\/([^/]+)/.exec(path) ?? [];
  const version = study === undefined ? databaseVersion(db) : studyVersion(db, study);
  const before = known.get(key);
  if (before?.version === version) {
    known.delete(key);
    known.set(key, before);
    return new Response(before.body, { headers: before.headers });
  }
  const response = await draw();
  if (!isPage(response)) return response;
  const body = await response.text();
  const headers = [...response.headers];
  known.delete(key);
  // Written while it was drawn, it is drawn again the next time.
  if (body.length <= longest) known.set(key, { version, body, headers });
  for (const old of known.keys()) if (known.size > most) known.delete(old);
  return new Response(body, { headers });
}
