import type { APIRoute } from 'astro';
import { answering, bytes } from '../../../server/problem';
import { tableBodyLimit } from '../../../server/requests';
import { inThread } from '../../../server/threads/pool';

/** Opens a bundled study; the body is the file. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => inThread('open', await bytes(request, tableBodyLimit)));
