import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { TableEdit } from '../../../../core/readings/table-edit';
import { db, now } from '../../../../server/db';
import { who } from '../../../../server/who';
import { answering, body, checked, json } from '../../../../server/problem';
import { Given, Revision } from '../../../../server/requests';
import { editsSince } from '../../../../store/table-changes';
import { editTable } from '../../../../store/change-table';

/** What a page calls a change or a step, so that one whose reply was lost can be sent once more. */
const Change = v.object({
  revision: Revision,
  given: v.optional(Given, ''),
  edits: v.pipe(v.array(TableEdit), v.minLength(1), v.maxLength(1000)),
});

/** What was done to a table since a revision, and how it stands. */
export const GET: APIRoute = ({ url, params: { id = '' } }) =>
  answering(() => {
    const { since } = checked({ since: Number(url.searchParams.get('since') ?? NaN) }, v.object({ since: Revision }));
    return json(editsSince(db(), id, since));
  });

/** Makes one change to a table. Answers only when it is on the disk. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { revision, edits, given } = await body(request, Change);
    return json({ revision: editTable(db(), id, revision, edits, now(), who(), given) });
  });
