import type { APIRoute } from 'astro';
import { inThread } from '../../../../server/threads/pool';

/** The whole study as one file of open formats. */
export const GET: APIRoute = ({ request, params: { id = '' } }) => inThread('bundle', id, request.signal);
