import type { APIRoute } from 'astro';
import { bundleOf } from '../../../../server/bundle';
import { db } from '../../../../server/db';
import { answering } from '../../../../server/problem';
import { readStudy } from '../../../../store/studies';

/** The whole study as one file of open formats. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(async () => {
    const { title } = readStudy(db(), id);
    const bytes = await bundleOf(db(), id);
    const name = encodeURIComponent(`${title.replace(/[^\p{L}\p{N} ._-]+/gu, ' ').trim() || 'study'}.zip`);
    return new Response(bytes as BodyInit, {
      headers: { 'content-type': 'application/zip', 'content-disposition': `attachment; filename*=UTF-8''${name}` },
    });
  });
