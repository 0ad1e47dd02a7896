import type { APIRoute } from 'astro';
import { db, made } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { restoreTable } from '../../../../store/tables';

/** Puts a removed table back into its study. */
export const POST: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    restoreTable(db(), id, made());
    return json({});
  });
