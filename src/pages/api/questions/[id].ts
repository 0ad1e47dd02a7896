import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { Question } from '../../../core/question/question';
import { db, made } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { Revision } from '../../../server/requests';
import { readQuestion, removeQuestion, updateQuestion, usesOf } from '../../../store/questions';

/** A question as it is kept, and what comes from it. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    const { question, revision } = readQuestion(db(), id);
    return json({ question, revision, ...usesOf(db(), id) });
  });

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
