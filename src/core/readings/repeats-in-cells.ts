/** How often subjects come back under two factors. */
import { addTo } from '../numeric/add-to';
import { leastOf, mostOf } from '../numeric/extremes';
import { withDerived } from './derive';
import { type FactorChoice, factorColumns, subjectOfReading } from './factors';
import { type Repeats, columnsAreGroups, subjectOfRow } from './groups';
import { levelRows, levelsOf } from './levels';
import { readColumn } from './read-column';
import { type Column, type Table, columnsOf, findColumn } from './table';

/** Columns of readings, and the place of each row in them among the levels of either factor; −1 where it has none. */
interface Cells {
  columns: Column[];
  levels: [number, number];
  place: (row: number, column: number) => [a: number, b: number];
}

function cellsOf(table: Table, choice: FactorChoice): Cells | undefined {
  const columns = columnsOf(table, 'measure');
  if (columnsAreGroups(table)) {
    const [by] = columnsOf(table, 'group');
    const rows = by && levelRows(by);
    return rows && { columns, levels: [levelsOf(by).length, columns.length], place: (row, k) => [rows[row] ?? -1, k] };
  }
  const [first, second] = factorColumns(table, choice);
  const measure = findColumn(table, choice.measure) ?? columns[0];
  if (!first || !second || !measure) return undefined;
  const [a, b] = [levelRows(first), levelRows(second)];
  return {
    columns: [measure],
    levels: [levelsOf(first).length, levelsOf(second).length],
    place: (row) => [a[row] ?? -1, b[row] ?? -1],
  };
}

const known = new WeakMap<Table, Map<string, Repeats>>();

/**
 * How often subjects come back, counted in each cell of two factors; undefined where no column names them, or where there
 * are no two factors. Row by row, without the readings themselves: a page asks this of tables of any length.
 */
export function repeatsInCells(raw: Table, choice: FactorChoice): Repeats | undefined {
  const key = JSON.stringify([choice.measure, choice.by, choice.by2]);
  const before = known.get(raw)?.get(key);
  if (before) return before;
  const table = withDerived(raw);
  const subjectOf = subjectOfRow(table);
  const cells = cellsOf(table, choice);
  if (!subjectOf || !cells) return undefined;
  const [as, bs] = cells.levels;
  const places = new Map<string, number>();
  const inCell = new Map<number, number>();
  const held: number[] = [];
  let readings = 0;
  cells.columns.forEach((column, k) => {
    for (const { row } of readColumn(column).used) {
      const [a, b] = cells.place(row, k);
      if (a < 0 || b < 0) continue;
      readings += 1;
      const subject = subjectOfReading({ subject: subjectOf(row), row });
      const place = places.get(subject) ?? held.push(0) - 1;
      places.set(subject, place);
      const cell = (place * as + a) * bs + b;
      const times = inCell.get(cell) ?? 0;
      if (times === 0) addTo(held, place, 1);
      inCell.set(cell, times + 1);
    }
  });
  const each = [...inCell.values()];
  const found: Repeats = {
    readings,
    subjects: each.length,
    distinct: held.length,
    shared: held.filter((n) => n > 1).length,
    each: { least: leastOf(each), most: mostOf(each) },
  };
  known.set(raw, (known.get(raw) ?? new Map<string, Repeats>()).set(key, found));
  return found;
}
