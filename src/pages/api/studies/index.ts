import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { emptyTable } from '../../../core/readings/table';
import { TableDraft, draftOf } from '../../../core/readings/table-edit';
import { db, now } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { who } from '../../../server/who';
import { Title, tableBodyLimit } from '../../../server/requests';
import { allStudies, createStudy } from '../../../store/studies';

/** A study's title; with a table, as a file gives it, or else an empty one of two groups. */
const NewStudy = v.object({
  title: Title,
  table: v.optional(TableDraft),
  origin: v.optional(v.pipe(v.string(), v.maxLength(500))),
});

/** The studies on the shelf, the last changed first. */
export const GET: APIRoute = () => answering(() => json(allStudies(db()).map(({ id, title }) => ({ id, title }))));

/** Starts a study. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { title, table: given, origin } = await body(request, NewStudy, tableBodyLimit);
    const table = given ?? draftOf(emptyTable('Readings'));
    const tables = [{ id: 'first', table, origin: origin ?? '', by: who() }];
    const id = createStudy(db(), { title, tables, questions: [], figures: [] }, now());
    return json({ id }, 201);
  });
