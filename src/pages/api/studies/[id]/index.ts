import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { db, made } from '../../../../server/db';
import { answering, body, json } from '../../../../server/problem';
import { Title } from '../../../../server/requests';
import { deleteStudy, renameStudy } from '../../../../store/studies';

export const PATCH: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { title } = await body(request, v.object({ title: Title }));
    renameStudy(db(), id, title, made());
    return json({ title });
  });

export const DELETE: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    deleteStudy(db(), id, made());
    return json({});
  });
