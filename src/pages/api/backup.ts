import type { APIRoute } from 'astro';
import { backupOf } from '../../server/backup';
import { db, now } from '../../server/db';
import { answering, bytes } from '../../server/problem';
import { backupLimit } from '../../server/requests';
import { inThread } from '../../server/threads/pool';

/** All studies as one database file. */
export const GET: APIRoute = () =>
  answering(
    async () =>
      new Response((await backupOf(db())) as BodyInit, {
        headers: {
          'content-type': 'application/vnd.sqlite3',
          'content-disposition': `attachment; filename="divide-${now().slice(0, 10)}.sqlite"`,
        },
      }),
  );

/** Brings back the studies of such a file; the body is the file. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => inThread('bringBack', await bytes(request, backupLimit)));
