import type { APIRoute } from 'astro';
import { db, now } from '../../../server/db';
import { startDemo } from '../../../server/demo-study';
import { answering, json } from '../../../server/problem';

/** Puts a fresh copy of the demo study on the shelf. */
export const POST: APIRoute = () => answering(() => json({ id: startDemo(db(), now()) }, 201));
