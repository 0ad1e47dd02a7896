import type { APIRoute } from 'astro';
import { inThread } from '../../../../server/threads/pool';

/** Puts a copy of a study on the shelf. */
export const POST: APIRoute = ({ params: { id = '' } }) => inThread('duplicate', id);
