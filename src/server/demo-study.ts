import { demoStudy, demoWriteUp } from '../../demo/skerrow';
import type { Db } from '../store/open';
import { createStudy } from '../store/studies';
import { insertWriteUp } from '../store/write-ups';
import { questionsOf } from '../store/questions';
import { figuresOf } from '../store/figures';
import { studyPieces } from './pieces';

/** Puts a fresh demo study on the shelf, its write-up finished. @returns its id */
export function startDemo(db: Db, at: string): string {
  const content = demoStudy();
  const id = createStudy(db, content, at);
  const questions = new Map(questionsOf(db, id).map((q, i) => [content.questions[i]?.id ?? '', q.id]));
  const figures = new Map(figuresOf(db, id).map((f, i) => [content.figures[i]?.id ?? '', f.id]));
  insertWriteUp(
    db,
    id,
    demoWriteUp((key) => questions.get(key) ?? figures.get(key) ?? key, studyPieces(db, id)),
    1,
  );
  return id;
}
