import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { FigureStyle } from '../../../../core/figures/figure-style';
import { db, made } from '../../../../server/db';
import { answering, body, json } from '../../../../server/problem';
import { Revision } from '../../../../server/requests';
import { readFigure, removeFigure, updateFigure } from '../../../../store/figures';

/** A figure's style as it is kept. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    const { style, revision } = readFigure(db(), id);
    return json({ style, revision });
  });

export const PUT: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    const { revision, style } = await body(request, v.object({ revision: Revision, style: FigureStyle }));
    return json({ revision: updateFigure(db(), id, revision, style, made()) });
  });

export const DELETE: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    removeFigure(db(), id, made());
    return json({});
  });
