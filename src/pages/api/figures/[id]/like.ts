import type { APIRoute } from 'astro';
import { db, made } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { drawAllLike } from '../../../../store/figures';

/** Draws every other figure of the study like this one. */
export const POST: APIRoute = ({ params: { id = '' } }) =>
  answering(() => json({ changed: drawAllLike(db(), id, made()) }));
