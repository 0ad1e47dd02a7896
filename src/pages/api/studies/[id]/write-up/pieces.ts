import type { APIRoute } from 'astro';
import { db } from '../../../../../server/db';
import { studyPieces } from '../../../../../server/pieces';
import { answering, json } from '../../../../../server/problem';
import { readStudy } from '../../../../../store/studies';

/** What the study's questions and figures give its write-up now. */
export const GET: APIRoute = ({ params: { id = '' } }) =>
  answering(() => {
    readStudy(db(), id);
    return json(studyPieces(db(), id));
  });
