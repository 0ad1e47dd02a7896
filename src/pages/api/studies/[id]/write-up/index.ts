import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { WriteUp } from '../../../../../core/write-up/document';
import { db, made } from '../../../../../server/db';
import { answering, body, json } from '../../../../../server/problem';
import { Revision } from '../../../../../server/requests';
import { readStudy } from '../../../../../store/studies';
import { readWriteUp, updateWriteUp } from '../../../../../store/write-ups';

/** The write-up as it is kept; null before it is begun. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    readStudy(db(), id);
    return json(readWriteUp(db(), id) ?? null);
  });

/** Keeps the write-up as changed; revision 0 begins one. */
export const PUT: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    readStudy(db(), id);
    const { revision, writeUp } = await body(request, v.object({ revision: Revision, writeUp: WriteUp }));
    return json({ revision: updateWriteUp(db(), id, revision, writeUp, made()) });
  });
