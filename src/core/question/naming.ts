/** What a question is about, by name: for lists and titles, which must not wait for an answer. */
import { withDerived } from '../readings/derive';
import { factorNames } from '../readings/factors';
import { chosenColumns, columnsAreGroups, groupNames } from '../readings/groups';
import { type Table } from '../readings/table';
import { kindOf } from './asking';
import type { Question } from './question';

/** A question with the names it goes by. An answer is one, too. */
export interface Named {
  question: Question;
  measure: string;
  unit: string;
  subject: string;
  groups: readonly { name: string }[];
  /** The two factors, where there are two. */
  layout?: { a: { name: string }; b: { name: string } };
}

/** What a question says it measures: the table's own words where columns are groups, else the measure column's name. */
export function measureOf(question: Question, table: Table): string {
  if (columnsAreGroups(table)) return table.measure;
  const name = chosenColumns(withDerived(table), question).measure?.name ?? table.measure;
  // A column of reported means is named after what they are means of.
  return table.shape === 'summary' ? name.replace(/^(mean|average)\s+/i, '') : name;
}

/** Whether naming a question needs the cells of its table, and not its columns' heads alone. */
export const namingNeedsCells = (question: Question, table: Table): boolean =>
  !columnsAreGroups(table) && kindOf[question.design] === 'several' && question.groups === undefined;

/** The names a question goes by, from the heads of its table. */
export function namesOf(question: Question, table: Table): Named {
  const all = groupNames(table, question);
  // A level nobody renamed goes by its own text, so its id is its name.
  const nameOf = (id: string | undefined): { name: string } => ({
    name: all.find((g) => g.id === id)?.name ?? (columnsAreGroups(table) ? undefined : id) ?? 'a group no longer there',
  });
  const groups = {
    value: () => [question.a === undefined ? (all[0] ?? nameOf(undefined)) : nameOf(question.a)],
    two: () => [nameOf(question.a), nameOf(question.b)],
    several: () => question.groups?.map(nameOf) ?? all,
    factors: () => [],
  }[kindOf[question.design]]();
  const [a, b] = factorNames(table, question);
  return {
    question,
    measure: measureOf(question, table),
    unit: (columnsAreGroups(table) ? all[0]?.unit : chosenColumns(table, question).measure?.unit) ?? '',
    subject: table.subject,
    groups,
    ...(kindOf[question.design] === 'factors' ? { layout: { a: { name: a }, b: { name: b } } } : {}),
  };
}
