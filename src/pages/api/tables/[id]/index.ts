import type { APIRoute } from 'astro';
import { db, made } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { readTable } from '../../../../store/read-table';
import { deleteTable } from '../../../../store/tables';

export const GET: APIRoute = ({ params: { id = '' } }) => answering(() => json(readTable(db(), id)));

/** Takes a table out of its study; it can be put back. */
export const DELETE: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    deleteTable(db(), id, made());
    return json({});
  });
