import type { APIRoute } from 'astro';
import { openBundle } from '../../../server/bundle';
import { db, now } from '../../../server/db';
import { answering, bytes, json } from '../../../server/problem';
import { tableBodyLimit } from '../../../server/requests';

/** Opens a bundled study; the body is the file. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => json(await openBundle(db(), await bytes(request, tableBodyLimit), now()), 201));
