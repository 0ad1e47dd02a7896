import type { APIRoute } from 'astro';
import { db, made } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { restoreStudy } from '../../../../store/studies';

export const POST: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    restoreStudy(db(), id, made());
    return json({});
  });
