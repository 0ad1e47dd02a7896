import type { APIRoute } from 'astro';
import { db } from '../../../../server/db';
import { answering } from '../../../../server/problem';
import { tableStream } from '../../../../server/table-stream';

/** A table in lines of JSON: first its head, then stretches of its columns. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(
    () => new Response(tableStream(db(), id), { headers: { 'content-type': 'application/x-ndjson; charset=utf-8' } }),
  );
