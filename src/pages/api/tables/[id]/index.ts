import type { APIRoute } from 'astro';
import { db } from '../../../../server/db';
import { answering, json } from '../../../../server/problem';
import { readTable } from '../../../../store/tables';

export const GET: APIRoute = ({ params: { id = '' } }) => answering(() => json(readTable(db(), id)));
