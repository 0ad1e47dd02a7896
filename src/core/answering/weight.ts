/** Whether an answer is worked out within a frame, or takes a worker of its own. */
import { kindOf } from '../question/asking';
import { choicesOf } from '../question/choices';
import { analysisOf } from '../analyses/registry';
import type { Question } from '../question/question';
import { factorColumns } from '../readings/factors';
import { columnsAreGroups, groupNames } from '../readings/groups';
import { levelsOf } from '../readings/levels';
import { type Table, columnsOf } from '../readings/table';

/** Cells up to which a test without counting or permuting takes less than a frame or two. */
const fewCells = 12_000;
/** Cells up to which a counted or permuted one does. */
const fewPermuted = 400;

/** Whether the table is small enough for the method. */
function isLight(question: Question, table: Table): boolean {
  const cells = table.rowCount * table.columns.length;
  const { method } = choicesOf(question);
  const counted = method === 'shuffle' || (method === 'exact' && analysisOf(question).permuted !== undefined);
  return cells <= (counted ? fewPermuted : fewCells);
}

/** Means up to which a fit that goes round and round, or every method there is, takes less than a frame or two. */
const fewMeans = 10;

/** How many means a question compares. */
function meansIn(question: Question, table: Table): number {
  if (kindOf[question.design] !== 'factors') return groupNames(table, question).length;
  const [first, second] = factorColumns(table, question);
  const rows = first ? levelsOf(first).length : 1;
  return rows * (columnsAreGroups(table) ? columnsOf(table, 'measure').length : second ? levelsOf(second).length : 1);
}

const comparesFewMeans = (question: Question, table: Table): boolean => meansIn(question, table) <= fewMeans;

/** Whether the page need not wait for this answer to be told that it is being worked out. */
export function isQuick(question: Question, table: Table): boolean {
  const { method } = choicesOf(question);
  const fitted = method === 'mixed-model' || method === 'likelihood';
  return isLight(question, table) && (!fitted || comparesFewMeans(question, table));
}

/** Cells up to which every method there is takes less than a frame or two. */
const fewForAll = 600;

/** The same of its answers by every method. An exact test of a table of counts may take long, however few they are. */
export const isQuickByAll = (question: Question, table: Table): boolean =>
  question.about === 'value' && table.rowCount * table.columns.length <= fewForAll && comparesFewMeans(question, table);
