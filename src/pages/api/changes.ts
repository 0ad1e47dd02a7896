import type { APIRoute } from 'astro';
import { changeStream } from '../../server/changes';

/** What is changed from now on, as it happens. */
export const GET: APIRoute = ({ request }) =>
  new Response(changeStream(request.signal), { headers: { 'content-type': 'text/event-stream; charset=utf-8' } });
