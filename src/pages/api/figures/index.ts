import type { APIRoute } from 'astro';
import { nanoid } from 'nanoid';
import * as v from 'valibot';
import { FigureStyle } from '../../../core/figures/figure-style';
import { db, made } from '../../../server/db';
import { answering, body, json } from '../../../server/problem';
import { makeFigure } from '../../../store/figures';
import { readQuestion } from '../../../store/questions';

export const POST: APIRoute = ({ request }) =>
  answering(async () => {
    const { question, style } = await body(request, v.object({ question: v.string(), style: FigureStyle }));
    const id = nanoid(12);
    makeFigure(db(), id, readQuestion(db(), question).studyId, question, style, made());
    return json({ id }, 201);
  });
