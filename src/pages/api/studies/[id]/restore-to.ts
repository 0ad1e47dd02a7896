import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { db, made } from '../../../../server/db';
import { answering, body, json } from '../../../../server/problem';
import { restoreStudyTo } from '../../../../store/restore';

const Point = v.object({
  line: v.pipe(
    v.number('The line gone back to is a number, as the log counts them.'),
    v.integer('The line gone back to is a whole number.'),
    v.minValue(0, 'The log begins at line 1; before it stands 0.'),
  ),
});

/** Puts a study back to how it was just after a line of its log; the log keeps what this takes back. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { line } = await body(request, Point);
    restoreStudyTo(db(), id, line, made());
    return json({});
  });
