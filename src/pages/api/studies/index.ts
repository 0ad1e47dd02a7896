import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { emptyColumn } from '../../../core/readings/table';
import { db, now } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { Title } from '../../../server/requests';
import { createStudy } from '../../../store/studies';

/** Starts a study with an empty table of two groups. */
export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { title } = await body(request, v.object({ title: Title }));
    const columns = [emptyColumn('a', 'Group 1'), emptyColumn('b', 'Group 2')];
    const table = { id: '', name: 'Readings', measure: '', subject: '', rowCount: 0, columns };
    const id = createStudy(db(), { title, tables: [{ table, questions: [] }] }, now());
    return json({ id }, 201);
  });
