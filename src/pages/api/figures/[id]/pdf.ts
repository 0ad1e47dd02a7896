import type { APIRoute } from 'astro';
import { db } from '../../../../server/db';
import { drawnFigure, pdfOf } from '../../../../server/drawn-figure';
import { answering } from '../../../../server/problem';

/** The figure as a PDF, drawn from what is kept. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(async () => {
    const file = await pdfOf(drawnFigure(db(), id));
    return new Response(file as BodyInit, { headers: { 'content-type': 'application/pdf' } });
  });
