/** The rows a question takes, where rules of its own leave some out. */
import { DomainError, attempt } from '../numeric/domain-error';
import { withDerived } from '../readings/derive';
import { columnsAreGroups, groupNames } from '../readings/groups';
import { levelRows, levelsOf } from '../readings/levels';
import { type Rule, ruleWords, rowsByRule } from '../readings/rules';
import { type Column, type Table, findColumn } from '../readings/table';
import type { Question } from './question';

type Ruled = Pick<Question, 'rows'>;

const known = new WeakMap<Table, Map<string, Table>>();

/** Groups keep their colours, and those without a row left are gone. */
function levelsWithin(column: Column, kept: readonly boolean[]): NonNullable<Column['levels']> {
  const there = new Set<number>();
  levelRows(column).forEach((place, row) => {
    if (kept[row]) there.add(place);
  });
  return levelsOf(column).flatMap((level, place) =>
    there.has(place) ? [{ ...level, colour: level.colour ?? place }] : [],
  );
}

/** The column with only those cells; what was computed stays as it was computed from all rows. */
function within(column: Column, kept: readonly boolean[]): Column {
  const { formula: _, ...rest } = column;
  return {
    ...rest,
    cells: column.cells.map((cell, row) => (kept[row] ? cell : '')),
    aside: Object.fromEntries(Object.entries(column.aside).filter(([row]) => kept[Number(row)])),
    ...(column.role === 'group' ? { levels: levelsWithin(column, kept) } : {}),
  };
}

/** What one rule leaves: whole rows, but of independent columns the rule's own readings alone. */
function byRule(table: Table, rule: Rule): Table {
  const column = findColumn(table, rule.column);
  if (!column) throw new DomainError('The column that chose the rows is no longer there: ask without it.');
  const kept = new Array<boolean>(table.rowCount).fill(false);
  for (const row of rowsByRule(column, table.rowCount, rule)) kept[row] = true;
  const alone = columnsAreGroups(table) && table.shape !== 'repeated' && column.role === 'measure';
  return { ...table, columns: table.columns.map((c) => (alone && c !== column ? c : within(c, kept))) };
}

/**
 * The table with only those rows that a question takes; rows keep their numbers.
 * @throws DomainError where a rule's column is gone, or nothing is left
 */
export function included({ rows = [] }: Ruled, table: Table): Table {
  if (rows.length === 0) return table;
  const key = JSON.stringify(rows);
  const of = known.get(table) ?? new Map<string, Table>();
  known.set(table, of);
  const before = of.get(key);
  if (before) return before;
  const made = rows.reduce(byRule, withDerived(table));
  if (made.columns.every((c) => c.cells.every((cell) => cell === '')))
    throw new DomainError(
      `No row is left where ${includedWords({ rows }, table)}: change the rule, or ask of all rows.`,
    );
  of.set(key, made);
  return made;
}

/** The same for names and choices, which must not fail: all rows where a rule cannot be kept. */
export function includedOrAll(question: Ruled, table: Table): Table {
  const found = attempt(() => included(question, table));
  return found.ok ? found.value : table;
}

/** "site is not pier and mass (g) is above 3". */
export const includedWords = ({ rows = [] }: Ruled, table: Table): string =>
  rows.map((rule) => ruleWords(rule, table)).join(' and ');

/** The question without the groups that its rules leave out: those it names, but for which no row is left. */
export function withinRows(question: Question, taken: Table, whole: Table): Question {
  const { groups } = question;
  if (taken === whole || !groups) return question;
  const left = new Set(groupNames(taken, question).map((g) => g.id));
  const gone = new Set(groupNames(whole, question).flatMap((g) => (left.has(g.id) ? [] : [g.id])));
  return { ...question, groups: groups.filter((id) => !gone.has(id)) };
}
