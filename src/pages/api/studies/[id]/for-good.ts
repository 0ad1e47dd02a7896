import type { APIRoute } from 'astro';
import { db } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { deleteForGood } from '../../../../store/studies';

/** Deletes a study that was taken off the shelf, for good. */
export const DELETE: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    deleteForGood(db(), id);
    return json({});
  });
