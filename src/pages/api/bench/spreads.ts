import type { APIRoute } from 'astro';
import { db } from '../../../server/db';
import { knownSpreads } from '../../../server/known-spreads';
import { answering, json } from '../../../server/problem';

/** Spreads that questions on the shelf know, for planning. */
export const GET: APIRoute = () => answering(() => json(knownSpreads(db())));
