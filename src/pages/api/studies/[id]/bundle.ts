import type { APIRoute } from 'astro';
import { inThread } from '../../../../server/threads/pool';

/** The whole study as one file of open formats. */
export const GET: APIRoute = ({ params: { id = '' } }) => inThread('bundle', id);
