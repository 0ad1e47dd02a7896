import type { APIRoute } from 'astro';
import { inThread } from '../../../server/threads/pool';

/** All studies in one file, each as its bundle of open formats. */
export const GET: APIRoute = ({ request }) => inThread('bundles', undefined, request.signal);
