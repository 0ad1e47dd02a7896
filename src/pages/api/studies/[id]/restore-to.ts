import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { db, made } from '../../../../server/db';
import { answering, body, json } from '../../../../server/problem';
import { restoreStudyTo } from '../../../../store/restore';

const Point = v.object({
  at: v.pipe(v.string(), v.isoTimestamp('The moment is written as in the log: 2026-01-31T12:00:00.000Z.')),
});

/** Puts a study back to how it was just after a moment; the log keeps what this takes back. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { at } = await body(request, Point);
    restoreStudyTo(db(), id, at, made());
    return json({});
  });
