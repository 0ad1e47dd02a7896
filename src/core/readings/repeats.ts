/** How often subjects come back: within groups, and in the cells of two factors. */
import { nth } from '../numeric/nth';
import { withDerived } from './derive';
import { type FactorChoice, factorColumns } from './factors';
import { type Choice, chosenColumns, columnsAreGroups, groupNames, groupsAreColumns } from './groups';
import { levelRows, levelsOf } from './levels';
import { readColumn } from './read-column';
import { type Column, type Table, columnsOf, findColumn } from './table';

/** Whether readings repeat subjects within groups, and whether groups share subjects. */
export interface Repeats {
  readings: number;
  /** Different subjects, counted in each group. */
  subjects: number;
  /** Different subjects, each counted once. */
  distinct: number;
  /** Subjects with readings in more than one group. */
  shared: number;
  /** The fewest and the most readings of one subject in a group. */
  each: { least: number; most: number };
}

/** Whether several readings come from single samples, each of one group alone. */
export const hasSamples = (repeats: Repeats | undefined): boolean =>
  repeats !== undefined && repeats.subjects < repeats.readings && repeats.shared === 0;

/** The columns readings stand in, and by row and column which of so many cells each belongs to; −1 where to none. */
interface Cells {
  columns: Column[];
  count: number;
  of: (row: number, column: number) => number;
}

function groupCells(table: Table, choice: Choice, within: readonly string[] | undefined): Cells | undefined {
  const place = groupNames(table, choice).map(({ id }, g) => (within?.includes(id) === false ? -1 : g));
  const count = place.length;
  if (groupsAreColumns(table, choice))
    return { columns: columnsOf(table, 'measure'), count, of: (_, k) => nth(place, k) };
  const { measure, by } = chosenColumns(table, choice);
  const rows = by && levelRows(by);
  return measure && { columns: [measure], count, of: (row) => place[rows ? (rows[row] ?? -1) : 0] ?? -1 };
}

function factorCells(table: Table, choice: FactorChoice): Cells | undefined {
  const measures = columnsOf(table, 'measure');
  const sides = columnsAreGroups(table) ? [columnsOf(table, 'group')[0]] : factorColumns(table, choice);
  const [first, second] = sides.map((c) => c && { rows: levelRows(c), count: levelsOf(c).length });
  if (!first) return undefined;
  if (columnsAreGroups(table)) {
    const of = (row: number, k: number): number => {
      const a = first.rows[row] ?? -1;
      return a < 0 ? -1 : a * measures.length + k;
    };
    return { columns: measures, count: first.count * measures.length, of };
  }
  const measure = findColumn(table, choice.measure) ?? measures[0];
  if (!second || !measure) return undefined;
  const of = (row: number): number => {
    const [a, b] = [first.rows[row] ?? -1, second.rows[row] ?? -1];
    return a < 0 || b < 0 ? -1 : a * second.count + b;
  };
  return { columns: [measure], count: first.count * second.count, of };
}

/** One number a reading, its subject's place and in it its cell's: in order of size, those of one subject are neighbours. */
function keysOf({ columns, count, of }: Cells, subjects: Int32Array): Float64Array {
  const readings = columns.map((column) => readColumn(column).used);
  const keys = new Float64Array(readings.reduce((all, used) => all + used.length, 0));
  let kept = 0;
  readings.forEach((used, k) => {
    for (const { row } of used) {
      const cell = of(row, k);
      const named = subjects[row] ?? -1;
      // A row that names no subject is one of its own.
      if (cell >= 0) keys[kept++] = (named < 0 ? subjects.length + row : named) * count + cell;
    }
  });
  return keys.subarray(0, kept).sort();
}

function repeatsAmong(table: Table, cells: Cells): Repeats | undefined {
  const [subject] = columnsOf(table, 'subject');
  if (!subject) return undefined;
  const keys = keysOf(cells, levelRows(subject));
  const found = {
    readings: keys.length,
    subjects: 0,
    distinct: 0,
    shared: 0,
    each: { least: Infinity, most: -Infinity },
  };
  let [i, last, held] = [0, -1, 0];
  while (i < keys.length) {
    const from = i;
    const key = nth(keys, from);
    while (i < keys.length && keys[i] === key) i++;
    const of = Math.floor(key / cells.count);
    held = of === last ? held + 1 : 1;
    last = of;
    found.subjects += 1;
    if (held === 1) found.distinct += 1;
    if (held === 2) found.shared += 1;
    found.each = { least: Math.min(found.each.least, i - from), most: Math.max(found.each.most, i - from) };
  }
  return found;
}

const known = new WeakMap<Table, Map<string, Repeats | undefined>>();

/** Counts once a table what is counted row by row, without the readings themselves: a page asks it of any length. */
function remembered(raw: Table, key: unknown, cellsOf: (table: Table) => Cells | undefined): Repeats | undefined {
  const cache = known.get(raw) ?? new Map<string, Repeats | undefined>();
  known.set(raw, cache);
  const name = JSON.stringify(key);
  if (!cache.has(name)) {
    const table = withDerived(raw);
    const cells = cellsOf(table);
    cache.set(name, cells && repeatsAmong(table, cells));
  }
  return cache.get(name);
}

/**
 * How often subjects come back in groups; undefined where no column names them.
 * @param within ids of the groups looked at; all where none are named
 */
export function repeatsOf(raw: Table, choice: Choice = {}, within?: readonly string[]): Repeats | undefined {
  const { measure, by } = groupsAreColumns(raw, choice) ? {} : chosenColumns(raw, choice);
  return remembered(raw, ['groups', measure?.id, by?.id, within], (table) => groupCells(table, choice, within));
}

/** How often they come back in each cell of two factors, whichever is named first; undefined also where there are no two factors. */
export function repeatsInCells(raw: Table, choice: FactorChoice): Repeats | undefined {
  const { measure } = chosenColumns(raw, choice);
  const factors = factorColumns(raw, choice).map((c) => c?.id);
  return remembered(raw, ['cells', measure?.id, ...factors.sort()], (table) => factorCells(table, choice));
}
