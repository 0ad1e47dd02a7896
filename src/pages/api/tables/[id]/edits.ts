import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { TableEdit } from '../../../../core/readings/table-edit';
import { db, now } from '../../../../server/db';
import { who } from '../../../../server/who';
import { answering, body, json } from '../../../../server/problem';
import { Revision } from '../../../../server/requests';
import { editTable } from '../../../../store/tables';

const Change = v.object({ revision: Revision, edits: v.pipe(v.array(TableEdit), v.minLength(1), v.maxLength(1000)) });

/** Makes one change to a table. Answers only when it is on the disk. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { revision, edits } = await body(request, Change);
    return json({ revision: editTable(db(), id, revision, edits, now(), who()) });
  });
