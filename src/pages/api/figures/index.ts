import type { APIRoute } from 'astro';
import { nanoid } from 'nanoid';
import * as v from 'valibot';
import { FigureStyle } from '../../../core/figures/figure-style';
import { db } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { insertFigure } from '../../../store/figures';
import { readQuestion } from '../../../store/questions';

export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { question, style } = await body(request, v.object({ question: v.string(), style: FigureStyle }));
    const id = nanoid(12);
    insertFigure(db(), id, readQuestion(db(), question).studyId, question, style);
    return json({ id }, 201);
  });
