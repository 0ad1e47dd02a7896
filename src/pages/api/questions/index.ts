import type { APIRoute } from 'astro';
import { nanoid } from 'nanoid';
import * as v from 'valibot';
import { Question } from '../../../core/question/question';
import { db } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { insertQuestion } from '../../../store/questions';
import { readTable } from '../../../store/tables';

export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { table, question } = await body(request, v.object({ table: v.string(), question: Question }));
    const id = nanoid(12);
    insertQuestion(db(), id, readTable(db(), table).studyId, table, question);
    return json({ id }, 201);
  });
