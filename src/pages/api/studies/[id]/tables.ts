import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { TableDraft } from '../../../../core/readings/table-edit';
import { db, made } from '../../../../server/db';
import { answering, body, json } from '../../../../server/problem';
import { tableBodyLimit } from '../../../../server/requests';
import { readStudy } from '../../../../store/studies';
import { addTable } from '../../../../store/tables';

const NewTable = v.object({
  table: TableDraft,
  /** Where the readings came from, in words, for the log. */
  origin: v.pipe(v.string(), v.maxLength(500)),
});

/** Adds a table of readings to a study. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    readStudy(db(), id);
    const { table, origin } = await body(request, NewTable, tableBodyLimit);
    return json({ id: addTable(db(), id, table, { ...made(), origin }) }, 201);
  });
