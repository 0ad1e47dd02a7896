import type { APIRoute } from 'astro';
import { inThread } from '../../../server/threads/pool';

/** Spreads that questions on the shelf know, for planning. */
export const GET: APIRoute = ({ request }) => inThread('spreads', undefined, request.signal);
