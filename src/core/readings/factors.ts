import { nth } from '../numeric/nth';
import { demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';
import { withDerived } from './derive';
import { type Choice, columnsAreGroups, subjectOfRow } from './groups';
import { levelRows, displayLevels } from './levels';
import { readColumn } from './read-column';
import { type Column, type Level, type Table, called, columnsOf, findColumn } from './table';

/** A factor: its name and its levels in order. */
export interface Factor {
  name: string;
  levels: Level[];
}

/** A reading under one level of each of two factors. */
export interface FactorReading {
  a: string;
  b: string;
  value: number;
  row: number;
  column: string;
  /** As the subject column names it; empty where none does. */
  subject: string;
}

/** What a reading is of: its subject, or where none is named its row. */
export const subjectOfReading = ({ subject, row }: Pick<FactorReading, 'subject' | 'row'>): string =>
  subject === '' ? `row ${row + 1}` : subject;

/** Readings under two factors, levels by their ids. */
export interface Factors {
  a: Factor;
  b: Factor;
  unit: string;
  measure: string;
  readings: FactorReading[];
  /** Set aside, with the reason. */
  aside: { where: string; reason: string }[];
}

/** Which columns are the factors; where columns are levels, which of them. */
export type FactorChoice = Choice & { by2?: string | undefined; known?: readonly string[] | undefined };

/** The readings of each cell: a row for each level of the first factor, in it one list for each level of the second. */
export function byCell<T extends Pick<FactorReading, 'a' | 'b'>>(factors: {
  a: { levels: readonly { id: string }[] };
  b: { levels: readonly { id: string }[] };
  readings: readonly T[];
}): T[][][] {
  const place = (levels: readonly { id: string }[]) => new Map(levels.map((l, i) => [l.id, i]));
  const [first, second] = [place(factors.a.levels), place(factors.b.levels)];
  const cells = factors.a.levels.map(() => factors.b.levels.map((): T[] => []));
  for (const r of factors.readings) cells[first.get(r.a) ?? -1]?.[second.get(r.b) ?? -1]?.push(r);
  return cells;
}

/** The group columns a table with one row per reading is split by: those chosen, else the first two. */
export function factorColumns(
  table: Table,
  { by, by2 }: FactorChoice,
): readonly [Column | undefined, Column | undefined] {
  const all = columnsOf(table, 'group');
  const first = findColumn(table, by) ?? all[0];
  const second = findColumn(table, by2) ?? all.find((c) => c !== first);
  return [first, second];
}

/** What the two factors are called. */
export function factorNames(table: Table, choice: FactorChoice): readonly [string, string] {
  if (columnsAreGroups(table))
    return [called(columnsOf(table, 'group')[0], 'rows'), table.shape === 'grid' ? 'column' : 'condition'];
  const [first, second] = factorColumns(table, choice);
  return [called(first, 'the first factor'), called(second, 'the second factor')];
}

/** Readings of one subject under the same levels as one, their mean, where the table says so. */
function averaged(table: Table, readings: FactorReading[]): FactorReading[] {
  if (!table.average) return readings;
  const cells = new Map<string, FactorReading[]>();
  for (const r of readings) {
    const key = [r.a, r.b, subjectOfReading(r)].join('\n');
    const before = cells.get(key);
    if (before) before.push(r);
    else cells.set(key, [r]);
  }
  if (cells.size === readings.length) return readings;
  return [...cells.values()].flatMap((all) =>
    all.slice(0, 1).map((first) => ({ ...first, value: moments(all.map((r) => r.value)).mean })),
  );
}

/**
 * Readings by two factors. In a grid, or where columns are conditions, the columns are the second factor and the first
 * group column the first; with one row per reading both are group columns. Averaged within subjects where the table says.
 * @throws DomainError where there are not two factors
 */
export function factorsOf(raw: Table, choice: FactorChoice): Factors {
  const cache = known.get(raw) ?? new Map<string, Factors>();
  known.set(raw, cache);
  const key = keyOf(choice);
  const made = cache.get(key) ?? foundFactors(raw, choice);
  cache.set(key, made);
  return made;
}

const known = new WeakMap<Table, Map<string, Factors>>();
const keyOf = ({ measure, by, by2, known: columns }: FactorChoice): string =>
  JSON.stringify([measure, by, by2, columns]);

function foundFactors(raw: Table, choice: FactorChoice): Factors {
  const table = withDerived(raw);
  const [nameA, nameB] = factorNames(table, choice);
  const subjectOf = subjectOfRow(table);
  const subject = (row: number): string => subjectOf?.(row) ?? '';
  const out: FactorReading[] = [];
  const aside: Factors['aside'] = [];
  const take = (column: Column, row: number, value: number, a: Level | undefined, b: Level | undefined): void => {
    if (a && b) out.push({ a: a.id, b: b.id, value, row, column: column.id, subject: subject(row) });
  };
  if (columnsAreGroups(table)) {
    const [by] = columnsOf(table, 'group');
    const columns = columnsOf(table, 'measure').filter((c) => choice.known?.includes(c.id) ?? true);
    demand(
      by !== undefined,
      'Only one factor is known: the columns. A column that names groups, beside them, is the other.',
    );
    const levels = displayLevels(by);
    // In a grid an empty cell stands for the level above it.
    const rows = Array.from(levelRows(by));
    if (table.shape === 'grid')
      for (let i = 1; i < table.rowCount; i++) if ((rows[i] ?? -1) < 0) rows[i] = rows[i - 1] ?? -1;
    const second = columns.map((c, i): Level => ({ id: c.id, name: called(c, `column ${i + 1}`) }));
    columns.forEach((column, i) => {
      const readings = readColumn(column);
      for (const r of readings.used) take(column, r.row, r.value, levels[rows[r.row] ?? -1], second[i]);
      for (const r of readings.aside)
        aside.push({ where: `${levels[rows[r.row] ?? -1]?.name ?? ''}, ${nth(second, i).name}`, reason: r.reason });
    });
    return {
      a: { name: nameA, levels },
      b: { name: nameB, levels: second },
      unit: columns[0]?.unit ?? '',
      measure: table.measure,
      readings: averaged(table, out),
      aside,
    };
  }
  const [first, second] = factorColumns(table, choice);
  const measure = findColumn(table, choice.measure) ?? columnsOf(table, 'measure')[0];
  demand(measure !== undefined, 'No column holds measurements: give one the role of a measure.');
  demand(
    first !== undefined && second !== undefined && first !== second,
    'Two factors need two columns that name groups: give a second column the role of a group.',
  );
  const [la, lb] = [displayLevels(first), displayLevels(second)];
  const [ra, rb] = [levelRows(first), levelRows(second)];
  const readings = readColumn(measure);
  for (const r of readings.used) take(measure, r.row, r.value, la[ra[r.row] ?? -1], lb[rb[r.row] ?? -1]);
  for (const r of readings.aside)
    aside.push({
      where: `${la[ra[r.row] ?? -1]?.name ?? ''}, ${lb[rb[r.row] ?? -1]?.name ?? ''}`,
      reason: r.reason,
    });
  const seen = (levels: Level[], of: 'a' | 'b'): Level[] => {
    const used = new Set(out.map((r) => r[of]));
    return levels.filter((l) => used.has(l.id));
  };
  return {
    a: { name: nameA, levels: seen(la, 'a') },
    b: { name: nameB, levels: seen(lb, 'b') },
    unit: measure.unit,
    measure: called(measure, table.measure),
    readings: averaged(table, out),
    aside,
  };
}
