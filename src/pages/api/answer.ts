import type { APIRoute } from 'astro';
import { answering, bytes } from '../../server/problem';
import { inThread } from '../../server/threads/pool';

/** Answers a question from the readings sent with it. Keeps nothing. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => inThread('answer', await bytes(request), request.signal));
