import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { db, made } from '../../../../../server/db';
import { answering, body, json } from '../../../../../server/problem';
import { readStudy } from '../../../../../store/studies';
import { readWriteUp, updateWriteUp } from '../../../../../store/write-ups';

const Paragraph = v.object({
  text: v.pipe(v.string(), v.trim(), v.minLength(1, 'There is nothing to put in.'), v.maxLength(10_000)),
});

/** Puts a paragraph at the end of a write-up, beginning one where there is none. */
export const POST: APIRoute = ({ request, params: { id = '' } }) =>
  answering(async () => {
    readStudy(db(), id);
    const { text } = await body(request, Paragraph);
    const kept = readWriteUp(db(), id);
    const paragraph = { type: 'paragraph' as const, content: [{ type: 'text' as const, text }] };
    const writeUp = { type: 'doc' as const, content: [...(kept?.writeUp.content ?? []), paragraph] };
    return json({ revision: updateWriteUp(db(), id, kept?.revision ?? 0, writeUp, made()) });
  });
