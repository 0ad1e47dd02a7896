/** Whether an answer is worked out within a frame, or takes a worker of its own. */
import { choicesOf } from '../question/choices';
import { analysisOf } from '../analyses/registry';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';

/** Cells up to which a test without counting or permuting takes less than a frame or two. */
const fewCells = 12_000;
/** Cells up to which a counted or permuted one does. */
const fewPermuted = 400;

/** Whether the page need not wait for this answer to be told that it is being worked out. */
export function isLight(question: Question, table: Table): boolean {
  const cells = table.rowCount * table.columns.length;
  const { method } = choicesOf(question);
  const counted = method === 'shuffle' || (method === 'exact' && analysisOf(question).permuted !== undefined);
  return cells <= (counted ? fewPermuted : fewCells);
}
