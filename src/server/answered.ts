/** Answers of what is kept, remembered by what they were made from: a figure, a text and a bundle ask the same ones again. */
import { answer } from '../core/answering/answer';
import type { Answer } from '../core/answer/answer';
import type { Outcome } from '../core/numeric/domain-error';
import type { Db } from '../store/open';
import { readQuestion } from '../store/questions';
import { cellCount, readReadings, revisionOf } from '../store/read-table';

/** Answers held at once, the least lately used making room; and cells of a table up to which its answers are held. */
const most = 60;
const largest = 50_000;
const known = new Map<string, Outcome<Answer>>();

/** The answer of a kept question. @throws NotFound */
export function answered(db: Db, questionId: string): Outcome<Answer> {
  const { tableId, question, revision } = readQuestion(db, questionId);
  const key = `${questionId} ${revision} ${tableId} ${revisionOf(db, tableId)}`;
  const found = known.get(key) ?? answer(question, readReadings(db, tableId));
  known.delete(key);
  if (cellCount(db, tableId) <= largest) known.set(key, found);
  for (const old of known.keys()) if (known.size > most) known.delete(old);
  return found;
}
