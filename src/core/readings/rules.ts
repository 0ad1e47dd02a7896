import { there } from '../numeric/there';
import { readColumn } from './read-column';
import { typedNumber } from './typed-number';
import { columnsAreGroups } from './groups';
import { type Column, type Table, called, columnsOf, findColumn } from './table';
import { cellAt, textAt } from './cell-at';

/** How a rule may pick. */
export const ruleKinds = ['above', 'below', 'between', 'outside', 'equal', 'not', 'contains', 'empty'] as const;

/** A rule that picks rows by what stands in one column. */
export interface Rule {
  column: string;
  is: (typeof ruleKinds)[number];
  /** As typed; `to` is the upper end of `between` and `outside`. */
  value: string;
  to?: string | undefined;
}

/** What a rule says, as its choices show it. */
export const ruleNames: Record<Rule['is'], string> = {
  above: 'is above',
  below: 'is below',
  between: 'is between',
  outside: 'is outside',
  equal: 'is',
  not: 'is not',
  contains: 'contains',
  empty: 'is empty',
};

/** Whether a rule has the second value that lies at its upper end. */
export const hasUpperEnd = ({ is }: Rule): boolean => is === 'between' || is === 'outside';

/** Whether everything a rule needs has been typed. */
export const isComplete = (rule: Rule): boolean =>
  rule.is === 'empty' || (rule.value.trim() !== '' && (!hasUpperEnd(rule) || (rule.to ?? '').trim() !== ''));

/** "site is not pier", "mass is between 3 and 5". */
export function ruleWords(rule: Rule, table: Table): string {
  const name = called(findColumn(table, rule.column), 'a removed column');
  const values = rule.is === 'empty' ? '' : ` ${rule.value.trim()}`;
  return `${name} ${ruleNames[rule.is]}${values}${hasUpperEnd(rule) ? ` and ${(rule.to ?? '').trim()}` : ''}`;
}

/** Rows of a column that a rule picks. Numbers are compared as numbers wherever both sides are. */
export function rowsByRule(column: Column, rowCount: number, rule: Rule): number[] {
  const numberIn = (text: string): number => {
    const typed = typedNumber(text, column.unit);
    return typed.kind === 'number' ? typed.value : NaN;
  };
  const [value, to] = [numberIn(rule.value), numberIn(rule.to ?? '')];
  const number = Number.isFinite(value);
  const { used, aside } = readColumn(column);
  const numbers = new Map(used.map((r) => [r.row, r.value]));
  for (const cell of aside) if (cell.value !== undefined) numbers.set(cell.row, cell.value);
  const equals = (text: string, x: number | undefined): boolean =>
    number && x !== undefined ? x === value : text === rule.value.trim();
  const holds = (row: number): boolean => {
    const text = textAt(column.cells, row);
    if (rule.is === 'empty') return text === '';
    if (rule.is === 'not') return !equals(text, numbers.get(row));
    if (text === '') return false;
    if (rule.is === 'contains') return text.toLowerCase().includes(rule.value.trim().toLowerCase());
    const x = numbers.get(row);
    if (rule.is === 'equal') return equals(text, x);
    if (x === undefined || !number) return false;
    if (rule.is === 'above') return x > value;
    if (rule.is === 'below') return x < value;
    if (!Number.isFinite(to)) return false;
    return rule.is === 'between' ? x >= value && x <= to : x < value || x > to;
  };
  return Array.from({ length: rowCount }, (_, row) => row).filter(holds);
}

/** The columns whose cells are readings, one by one. */
export const holdersOf = (table: Table): Column[] =>
  table.shape === 'categories'
    ? columnsOf(table, 'group').slice(0, 1)
    : table.columns.filter((c) => (c.role === 'measure' || c.role === 'count') && !c.formula);

/**
 * The cells that hold the readings of some rows: what setting a row aside sets aside. Where each column is a group, only
 * the column asked about, because its neighbours are other subjects' readings.
 */
export function readingCells(
  table: Table,
  rows: readonly number[],
  column?: string,
): { column: string; row: number }[] {
  const holders =
    columnsAreGroups(table) && table.shape !== 'repeated' && column !== undefined
      ? table.columns.filter((c) => c.id === column)
      : holdersOf(table);
  return rows.flatMap((row) => holders.filter((c) => textAt(c.cells, row) !== '').map((c) => ({ column: c.id, row })));
}

/** Rows in the order of a column: numbers by size, then text by the alphabet, empty cells last; equals stay in order. */
export function sortedRows(column: Column, rowCount: number, falling: boolean): number[] {
  const { used, aside } = readColumn(column);
  const numbers = new Map(used.map((r) => [r.row, r.value]));
  for (const cell of aside) if (cell.value !== undefined) numbers.set(cell.row, cell.value);
  const compare = new Intl.Collator('en', { numeric: true, sensitivity: 'base' }).compare;
  const kind = (row: number): number => (numbers.has(row) ? 0 : textAt(column.cells, row) === '' ? 2 : 1);
  const sign = falling ? -1 : 1;
  return Array.from({ length: rowCount }, (_, row) => row).sort((i, j) => {
    const [ki, kj] = [kind(i), kind(j)];
    if (ki !== kj) return ki - kj;
    if (ki === 0) return sign * (there(numbers.get(i), 'number') - there(numbers.get(j), 'number')) || i - j;
    return ki === 2 ? i - j : sign * compare(cellAt(column.cells, i), cellAt(column.cells, j)) || i - j;
  });
}
