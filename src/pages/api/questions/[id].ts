import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { Question } from '../../../core/question/question';
import { db, made } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { Revision } from '../../../server/requests';
import { removeQuestion, updateQuestion, usesOf } from '../../../store/questions';

/** What comes from a question, before it is removed. */
export const GET: APIRoute = ({ params: { id = '' } }) => answering(() => json(usesOf(db(), id)));

export const PUT: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { revision, question } = await body(request, v.object({ revision: Revision, question: Question }));
    return json({ revision: updateQuestion(db(), id, revision, question, made()) });
  });

export const DELETE: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    removeQuestion(db(), id, made());
    return json({});
  });
