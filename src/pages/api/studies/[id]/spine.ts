import type { APIRoute } from 'astro';
import { db } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { studySpine } from '../../../../server/study-page';

/** What a study's pages list on their left. */
export const GET: APIRoute = ({ params: { id = '' } }) => answering(() => json(studySpine(db(), id)));
