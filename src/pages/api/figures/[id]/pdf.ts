import type { APIRoute } from 'astro';
import { inThread } from '../../../../server/threads/pool';

/** The figure as a PDF, drawn from what is kept. */
export const GET: APIRoute = ({ request, params: { id = '' } }) => inThread('pdf', id, request.signal);
