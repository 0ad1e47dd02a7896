import type { APIRoute } from 'astro';
import { inThread } from '../../../server/threads/pool';

/** Puts a fresh copy of the demo study on the shelf. */
export const POST: APIRoute = () => inThread('demo', undefined);
