import type { APIRoute } from 'astro';
import { inThread } from '../../../../../server/threads/pool';

/** What the study's questions and figures give its write-up now. */
export const GET: APIRoute = ({ request, params: { id = '' } }) => inThread('pieces', id, request.signal);
