/** Which columns a question was asked of, where each column is a group: what is put in later does not join it. */
import { groupsAreColumns, groupsOf } from '../readings/groups';
import type { Table } from '../readings/table';
import { comparesAllGroups, groupChoices } from './asking';
import type { Question } from './question';

/** The question, asked of the groups there are now. */
export function asked(question: Question, table: Table): Question {
  if (!groupsAreColumns(table, question) || !comparesAllGroups(question) || question.about === 'table') return question;
  const filled = groupsOf(table, question).filter((g) => g.readings.used.length > 0);
  const groups = filled.length > 0 ? filled : groupChoices(table, question);
  return { ...question, known: groups.map((g) => g.id) };
}

/** Groups of a table that a question leaves out because they came later, as far as they have readings. */
export function newGroups(question: Question, table: Table): { id: string; name: string }[] {
  const { known } = question;
  if (!known || !groupsAreColumns(table, question) || !comparesAllGroups(question)) return [];
  return groupsOf(table, question)
    .filter((g) => !known.includes(g.id) && !question.groups?.includes(g.id) && g.readings.used.length > 0)
    .map(({ id, name }) => ({ id, name }));
}

/** The question with a group taken in that came later. */
export const withGroup = (question: Question, id: string): Question => ({
  ...question,
  known: [...(question.known ?? []), id],
  ...(question.groups ? { groups: [...question.groups, id] } : {}),
});
