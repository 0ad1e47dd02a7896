import type { APIRoute } from 'astro';
import { demoStudy } from '../../../../demo/skerrow';
import { db, now } from '../../../server/db';
import { answering, json } from '../../../server/problem';
import { createStudy } from '../../../store/studies';

/** Puts a fresh copy of the demo study on the shelf. */
export const POST: APIRoute = () => answering(() => json({ id: createStudy(db(), demoStudy(), now()) }, 201));
