import type { APIRoute } from 'astro';
import { db, now } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { duplicateStudy } from '../../../../store/studies';

export const POST: APIRoute = ({ params: { id = '' } }) =>
  answering(() => json({ id: duplicateStudy(db(), id, now()) }, 201));
