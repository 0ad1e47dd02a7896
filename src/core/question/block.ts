/** The blocks groups can be compared within: a day, a batch, a plate that is not asked about. */
import { chosenColumns } from '../readings/groups';
import { type Column, type Table, columnsOf, findColumn } from '../readings/table';
import { isBlock } from '../understanding/vocabulary';
import { asDesign, designOf, isBlocked, kindOf, samplingOf } from './asking';
import type { Question } from './question';

/** Columns that sort rows otherwise than by the groups compared; one that names subjects, where these are called blocks. */
export function blocksFor(question: Question, table: Table): Column[] {
  if (table.shape !== 'rows') return [];
  const { by } = chosenColumns(table, question);
  const named = columnsOf(table, 'subject').filter((c) => isBlock(c.name));
  return [...columnsOf(table, 'group').filter((c) => c.id !== by?.id), ...named];
}

/** The blocks of a question: the column chosen, if it is still there, or the first there is where none was. */
export const blockOf = (question: Question, table: Table): Column | undefined =>
  question.block === undefined ? blocksFor(question, table)[0] : findColumn(table, question.block);

/** Whether what the table names as its subjects are the blocks groups are compared within: then each reading is a sample. */
export const blocksAreSubjects = (question: Question, table: Table): boolean =>
  isBlocked(question.design) && blockOf(question, table)?.role === 'subject';

/** What one independent sample is called; nothing where the table names blocks alone. */
export const sampleNoun = (question: Question, table: Table): string =>
  blocksAreSubjects(question, table) ? '' : table.subject;

/** Whether a question compares groups that could be compared within blocks. */
export const canBlock = (question: Question, table: Table): boolean => {
  const kind = kindOf[question.design];
  return question.about === 'value' && (kind === 'two' || kind === 'several') && blocksFor(question, table).length > 0;
};

/** The question with its groups compared within the blocks of a column, or over all readings. */
export function withinBlocks(question: Question, table: Table, block: string | undefined): Question {
  const kind = kindOf[question.design];
  const { block: _, covariate: __, covariateAt: ___, method: ____, own: _____, ...rest } = question;
  if (block === undefined) return isBlocked(question.design) ? { ...rest, design: designOf(kind, 'once') } : rest;
  const { by } = chosenColumns(table, question);
  const next = asDesign({ ...rest, ...(by ? { by: by.id } : {}), block }, table, designOf(kind, 'blocked'));
  return samplingOf(question.design) === 'blocked' && question.method ? { ...next, method: question.method } : next;
}
