import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { FigureStyle } from '../../core/figures/figure-style';
import { db } from '../../server/db';
import { answering, body, json } from '../../server/problem';
import { forgetStyle, keepStyle, readStyles } from '../../store/named-styles';

const Name = v.pipe(v.string(), v.trim(), v.minLength(1, 'Give the style a name.'), v.maxLength(80));

/** The styles kept under a name. */
export const GET: APIRoute = () => answering(() => json(readStyles(db())));

/** Keeps one, or puts another in its place. */
export const PUT: APIRoute = ({ request }) =>
  answering(async () => {
    keepStyle(db(), await body(request, v.object({ name: Name, style: FigureStyle })));
    return json(readStyles(db()));
  });

/** Forgets one. */
export const DELETE: APIRoute = ({ url }) =>
  answering(() => {
    forgetStyle(db(), url.searchParams.get('name') ?? '');
    return json(readStyles(db()));
  });
