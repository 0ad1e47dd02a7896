import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { db, now } from '../../../../server/db';
import { who } from '../../../../server/who';
import { answering, body, json } from '../../../../server/problem';
import { Given, Revision } from '../../../../server/requests';
import { stepTable } from '../../../../store/change-table';

const Step = v.object({ revision: Revision, given: v.optional(Given, ''), step: v.picklist(['undo', 'redo']) });

/** Undoes the last change to a table, or redoes the last undone; null when there is none. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { revision, step, given } = await body(request, Step);
    return json(stepTable(db(), id, revision, step, now(), who(), given) ?? null);
  });
