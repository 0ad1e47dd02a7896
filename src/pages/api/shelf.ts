import type { APIRoute } from 'astro';
import { db } from '../../server/db';
import { answering, json } from '../../server/problem';
import { shelfLines } from '../../server/study-page';
import { deletedStudies } from '../../store/studies';

/** The shelf as it stands: its lines, and the studies taken off it. */
export const GET: APIRoute = () => answering(() => json({ lines: shelfLines(db()), deleted: deletedStudies(db()) }));
