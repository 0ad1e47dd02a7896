import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { db, now } from '../../../../server/db';
import { answering, body, json } from '../../../../server/problem';
import { orderQuestions } from '../../../../store/questions';

/** Puts the questions asked of a table in an order: `{ "order": [ids] }`. */
export const PUT: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { order } = await body(request, v.object({ order: v.pipe(v.array(v.string()), v.maxLength(4000)) }));
    orderQuestions(db(), id, order, now());
    return json({});
  });
