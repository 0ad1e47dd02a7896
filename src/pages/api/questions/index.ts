import type { APIRoute } from 'astro';
import { nanoid } from 'nanoid';
import * as v from 'valibot';
import { Question } from '../../../core/question/question';
import { db, made } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { askQuestion } from '../../../store/questions';
import { askedNow } from '../../../store/reveal';
import { studyOfTable } from '../../../store/read-table';

export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { table, question } = await body(request, v.object({ table: v.string(), question: Question }));
    const id = nanoid(12);
    askQuestion(db(), id, studyOfTable(db(), table), table, askedNow(db(), table, question), made());
    return json({ id }, 201);
  });
