/** What means can be adjusted for. */
import { readColumn } from '../readings/read-column';
import { type Column, type Table, columnsOf, findColumn } from '../readings/table';
import { withDerived } from '../readings/derive';
import { chosenColumns } from '../readings/groups';
import { asDesign, designOf, isAdjusted, kindOf, samplingOf } from './asking';
import type { Question } from './question';

/** Columns of measurements beside the one compared; none where columns are groups and nothing names the groups of rows. */
export function covariatesFor(question: Question, table: Table): Column[] {
  if (table.shape !== 'rows' && table.shape !== 'repeated') return [];
  if (columnsOf(table, 'group').length === 0) return [];
  const { measure } = measuredIn(question, table);
  return columnsOf(table, 'measure').filter((c) => c.id !== measure);
}

/** The column compared and the one that names its groups: of several looks at one measure the last. */
function measuredIn(question: Question, table: Table): Pick<Question, 'measure' | 'by'> {
  const { measure, by } = chosenColumns(table, question);
  const last = table.shape === 'repeated' ? columnsOf(table, 'measure').at(-1) : measure;
  const compared = question.measure === undefined ? last : measure;
  return { ...(compared ? { measure: compared.id } : {}), ...(by ? { by: by.id } : {}) };
}

/** The question with the column compared named, where means are adjusted and it names none. */
export const measuredBy = (question: Question, table: Table): Question =>
  isAdjusted(question.design) && !columnsOf(table, 'measure').some((c) => c.id === question.a)
    ? { ...measuredIn(question, table), ...question }
    : question;

/** The covariate of a question: the one chosen, if it is still there, or the first there is where none was. */
export const covariateOf = (question: Question, table: Table): Column | undefined =>
  question.covariate === undefined
    ? covariatesFor(question, withDerived(table))[0]
    : findColumn(withDerived(table), question.covariate);

/** Whether a question compares groups whose means could be adjusted. */
export const canAdjust = (question: Question, table: Table): boolean => {
  const kind = kindOf[question.design];
  return (
    question.about === 'value' && (kind === 'two' || kind === 'several') && covariatesFor(question, table).length > 0
  );
};

/** The question with its means adjusted for a column, or for nothing. */
export function adjustedFor(question: Question, table: Table, covariate: string | undefined): Question {
  const kind = kindOf[question.design];
  const { covariate: _, covariateAt: __, block: ___, method: ____, own: _____, ...rest } = question;
  if (covariate === undefined) return isAdjusted(question.design) ? { ...rest, design: designOf(kind, 'once') } : rest;
  const measured = measuredIn(question, table);
  const next = asDesign({ ...rest, ...measured, covariate }, table, designOf(kind, 'adjusted'));
  return samplingOf(question.design) === 'adjusted' && question.method ? { ...next, method: question.method } : next;
}

/** Which rows have a value of the covariate, and which it is. */
export const covariateByRow = (column: Column): Map<number, number> =>
  new Map(readColumn(column).used.flatMap((r) => (r.limited === 'censored' ? [] : [[r.row, r.value]])));
