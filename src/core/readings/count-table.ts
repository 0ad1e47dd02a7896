/** Counts of things by what they are: rows and columns of categories, tabulated or counted from rows. */
import { DomainError, demand } from '../numeric/domain-error';
import { bandedCounts } from './banded';
import { besideKind, besideRows } from './beside';
import type { Category, CountTable } from './counts';
import { withDerived } from './derive';
import type { Choice } from './groups';
import { levelRows, levelsOf, displayLevels } from './levels';
import { readColumn } from './read-column';
import { holdsShares, percentage, shareCell } from './share-cell';
import { type Column, type Table, called, columnsOf } from './table';
import { addTo } from '../numeric/add-to';

/** Which columns are crossed, the first group columns unless chosen; or where readings are cut in two. */
export interface Crossing extends Choice {
  outcome?: string | undefined;
  cut?: number | undefined;
  /** How subjects were looked at, and which two groups that is about. */
  design?: string;
  a?: string | undefined;
  b?: string | undefined;
}

const wholeCount = (column: Column, row: number, value: number): number => {
  demand(
    Number.isInteger(value) && value >= 0,
    `“${called(column)}”, row ${row + 1} holds ${value}: a count is a whole number, 0 or more.`,
  );
  return value;
};

const coloured = (column: Column): (Category & { colour: number })[] =>
  displayLevels(column).map(({ id, name, colour }, i) => ({ id, name, colour: colour ?? i }));

/** A column of shares as two columns of counts: those, and the others. */
function fromShares(table: Table, by: Column, shares: Column): CountTable {
  const rowOf = levelRows(by);
  const counts = levelsOf(by).map(() => [0, 0]);
  const rounded: string[] = [];
  let aside = 0;
  shares.cells.forEach((cell, row) => {
    const line = counts[rowOf[row] ?? -1];
    if (cell.trim() === '' || !line || besideKind(shares.aside[row])) return;
    if (shares.aside[row] !== undefined) {
      aside += 1;
      return;
    }
    const found = shareCell(cell);
    if (!found)
      throw new DomainError(
        `“${called(shares)}”, row ${row + 1} holds “${cell}”: write it as “18 of 45” or “40 % of 45”.`,
      );
    wholeCount(shares, row, found.count);
    demand(
      found.count <= found.n,
      `“${called(shares)}”, row ${row + 1} holds “${cell}”: more were found than there were. Exchange the two numbers, or mend the one that is wrong.`,
    );
    if (found.rounded) rounded.push(`${cell.trim()} counted as ${found.count}`);
    addTo(line, 0, found.count);
    addTo(line, 1, found.n - found.count);
  });
  const name = called(shares, 'found');
  const totals = new Set(Array.from(besideRows([shares]).keys(), (row) => rowOf[row] ?? -1));
  const isCategory = (_: unknown, i: number): boolean => !totals.has(i);
  return {
    rows: { name: called(by, 'group'), categories: coloured(by).filter(isCategory) },
    columns: {
      name: table.measure || name,
      categories: [
        { id: shares.id, name },
        { id: `not ${shares.id}`, name: `not ${name}` },
      ],
    },
    counts: counts.filter(isCategory),
    aside,
    half: 0,
    rounded,
  };
}

/** A column of counts, or of percentages, beside what they are out of, as "18 of 45" in each cell. */
function besideTotal(counts: Column, totals: Column): Column {
  const outOf = new Map(readColumn(totals).used.map(({ row, value }) => [row, wholeCount(totals, row, value)]));
  const read = new Map(readColumn(counts).used.map(({ row, value }) => [row, value]));
  return {
    ...counts,
    cells: counts.cells.map((text, row) => {
      if (text.trim() === '' || besideKind(counts.aside[row])) return '';
      const n = outOf.get(row);
      const percent = percentage(text) ?? (counts.unit === '%' ? read.get(row) : undefined);
      const count = read.get(row);
      if (n === undefined)
        throw new DomainError(
          `“${called(totals)}”, row ${row + 1} does not say out of how many: type the number, or remove the row.`,
        );
      if (percent !== undefined) return `${percent} % of ${n}`;
      if (count === undefined)
        throw new DomainError(`“${called(counts)}”, row ${row + 1} holds “${text}”, which is no count.`);
      return `${count} of ${n}`;
    }),
  };
}

/** Counts already tabulated: the first group column names the rows, each count column or a second group column a category. */
function tabulated(table: Table): CountTable {
  const [by, second] = columnsOf(table, 'group');
  const countColumns = columnsOf(table, 'count');
  const [only] = countColumns;
  if (!by || !only)
    throw new DomainError(
      'A column that names the rows and at least one column of counts are needed: give them these roles in the readings.',
    );
  const [total] = columnsOf(table, 'total');
  if (countColumns.length === 1 && total) return fromShares(table, by, besideTotal(only, total));
  if (countColumns.length === 1 && holdsShares(only.cells)) return fromShares(table, by, only);
  const long = second !== undefined && countColumns.length === 1;
  const categories: Category[] = long
    ? displayLevels(second).map(({ id, name }) => ({ id, name }))
    : countColumns.map((c) => ({ id: c.id, name: called(c) }));
  const rowOf = levelRows(by);
  const columnOf = long ? levelRows(second) : undefined;
  const counts = levelsOf(by).map(() => categories.map(() => 0));
  let aside = 0;
  countColumns.forEach((column, k) => {
    const { used, aside: set } = readColumn(column);
    aside += set.length;
    for (const { row, value } of used) {
      const line = counts[rowOf[row] ?? -1];
      const j = columnOf ? (columnOf[row] ?? -1) : k;
      if (line && j >= 0) addTo(line, j, wholeCount(column, row, value));
    }
  });
  // A row of totals is no category.
  const totals = new Set(Array.from(besideRows(countColumns).keys(), (row) => rowOf[row] ?? -1));
  const isCategory = (_: unknown, i: number): boolean => !totals.has(i);
  return {
    rows: { name: called(by, 'group'), categories: coloured(by).filter(isCategory) },
    columns: { name: long ? called(second) : table.measure || 'category', categories },
    counts: counts.filter(isCategory),
    aside,
    half: 0,
    rounded: [],
  };
}

/** Counts how two columns of categories meet, or one alone. */
function crossed(table: Table, { by: byId, outcome: outcomeId }: Crossing): CountTable {
  const groups = columnsOf(table, 'group');
  const by = groups.find((c) => c.id === byId) ?? groups[0];
  if (!by)
    throw new DomainError('A column that names categories is needed: give it the role of a group in the readings.');
  const outcome = groups.find((c) => c.id === outcomeId && c !== by) ?? groups.find((c) => c !== by);
  const [rowOf, columnOf] = [levelRows(by), outcome && levelRows(outcome)];
  const categories: Category[] = outcome
    ? displayLevels(outcome).map(({ id, name }) => ({ id, name }))
    : [{ id: 'count', name: 'count' }];
  const counts = levelsOf(by).map(() => categories.map(() => 0));
  let aside = 0;
  let half = 0;
  for (let row = 0; row < table.rowCount; row++) {
    const i = rowOf[row] ?? -1;
    const j = columnOf ? (columnOf[row] ?? -1) : 0;
    if (i < 0 && j < 0) continue;
    if (by.aside[row] !== undefined || outcome?.aside[row] !== undefined) aside += 1;
    else if (i < 0 || j < 0) half += columnOf || i >= 0 ? 1 : 0;
    else {
      const line = counts[i];
      if (line) addTo(line, j, 1);
    }
  }
  return {
    rows: { name: called(by, 'group'), categories: coloured(by) },
    columns: { name: called(outcome, 'count'), categories },
    counts,
    aside,
    half,
    rounded: [],
  };
}

const known = new WeakMap<Table, Map<string, CountTable>>();

/** The counts of a table, as far as its layout holds any. @throws DomainError naming what is missing or cannot be a count */
export function countTable(table: Table, crossing: Crossing = {}): CountTable {
  const cache = known.get(table) ?? new Map<string, CountTable>();
  known.set(table, cache);
  const { cut, a, b } = crossing;
  const pair = cut !== undefined && crossing.design === 'paired' ? ([a, b] as const) : undefined;
  const key = JSON.stringify([crossing.by, crossing.outcome, crossing.measure, cut, pair]);
  const before = cache.get(key);
  if (before) return before;
  const found =
    cut !== undefined && !holdsCounts(table)
      ? bandedCounts(table, { ...crossing, cut, pair })
      : table.shape === 'counts'
        ? tabulated(table)
        : crossed(withDerived(table), crossing);
  cache.set(key, found);
  return found;
}

/** Whether a table holds counts of categories and nothing measured. */
export const holdsCounts = ({ shape }: Table): boolean => shape === 'counts' || shape === 'categories';
