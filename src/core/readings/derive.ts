import { nth } from '../numeric/nth';
import { moments } from '../numeric/sum';
import { type Formula, evaluate, expressionText, sourcesOf } from './formula';
import { levelRows, levelsOf } from './levels';
import { readColumn } from './read-column';
import { type Column, type Table, findColumn } from './table';
import { cellAt } from './cell-at';

/** A number as a derived cell shows it: the digits a double holds for certain. */
const shown = (x: number): string => (Number.isFinite(x) ? String(Number(x.toPrecision(15))) : '');

const used = (column: Column): number[] =>
  readColumn(column).used.flatMap((r) => (r.limited === 'censored' ? [] : [r.value]));

/** The value in each row, undefined where there is none that can be used. */
function valuesByRow(column: Column): Map<number, number> {
  const { used: readings, aside } = readColumn(column);
  // Of what lies below a limit nothing can be computed.
  const values = new Map(readings.flatMap((r) => (r.limited === 'censored' ? [] : [[r.row, r.value]])));
  // A set-aside reading still has its derived value; the derived cell is set aside with it.
  for (const cell of aside) if (cell.value !== undefined) values.set(cell.row, cell.value);
  return values;
}

/** The band a value belongs to: a reading below a cut belongs to the band before it. */
const bandOf = (value: number, cuts: readonly number[]): number => cuts.filter((cut) => value >= cut).length;

function controlMean(formula: Extract<Formula, { kind: 'percent-of-control' }>, sources: Map<string, Column>): number {
  if (formula.by === null) {
    const control = sources.get(formula.control);
    return control ? moments(used(control)).mean : NaN;
  }
  const [of, by] = [sources.get(formula.of), sources.get(formula.by)];
  if (!of || !by) return NaN;
  const level = levelsOf(by).findIndex((l) => l.id === formula.control);
  const rows = levelRows(by);
  const values = readColumn(of)
    .used.filter((r) => rows[r.row] === level)
    .map((r) => r.value);
  return values.length > 0 ? moments(values).mean : NaN;
}

/** Each row's text of a derived column. */
function texts(formula: Formula, sources: Map<string, Column>, rowCount: number): string[] {
  const rows = Array.from({ length: rowCount }, (_, row) => row);
  if (formula.kind === 'expression') {
    const values = new Map([...sources].map(([id, column]) => [id, valuesByRow(column)]));
    return rows.map((row) => shown(evaluate(formula.expression, (id) => values.get(id)?.get(row) ?? NaN)));
  }
  const of = sources.get(formula.of);
  if (!of) return [];
  const values = valuesByRow(of);
  if (formula.kind === 'bands')
    return rows.map((row) => {
      const value = values.get(row);
      return value === undefined ? '' : cellAt(formula.names, bandOf(value, formula.cuts));
    });
  if (formula.kind === 'percent-of-control') {
    const mean = controlMean(formula, sources);
    return rows.map((row) => shown((100 * (values.get(row) ?? NaN)) / mean));
  }
  const readings = used(of);
  if (readings.length < 2) return [];
  const { n, mean, sumOfSquares } = moments(readings);
  const sd = Math.sqrt(sumOfSquares / (n - 1));
  return rows.map((row) => shown(((values.get(row) ?? NaN) - mean) / sd));
}

const made = new WeakMap<Column, { sources: (Column | undefined)[]; rowCount: number; column: Column }>();

/** @param done what was computed of this table already: columns that feed several others are computed once */
function computed(table: Table, column: Column, done: Map<string, Column>): Column {
  const { formula } = column;
  if (!formula) return column;
  const known = done.get(column.id);
  if (known) return known;
  // A column that would read itself reads what stands in its cells.
  done.set(column.id, column);
  const ids = sourcesOf(formula);
  const sources = ids.map((id) => {
    const source = findColumn(table, id);
    return source && computed(table, source, done);
  });
  const result = remade(table, column, formula, ids, sources);
  done.set(column.id, result);
  return result;
}

function remade(
  table: Table,
  column: Column,
  formula: Formula,
  ids: readonly string[],
  sources: (Column | undefined)[],
): Column {
  const before = made.get(column);
  if (before?.rowCount === table.rowCount && before.sources.every((s, i) => s === sources[i])) return before.column;
  const present = new Map(ids.flatMap((id, i) => (sources[i] ? [[id, sources[i]] as const] : [])));
  const aside: Record<number, string> = {};
  for (const source of present.values()) for (const cell of readColumn(source).aside) aside[cell.row] = cell.reason;
  const result: Column = {
    ...column,
    decimal: 'point',
    cells: present.size === ids.length ? texts(formula, present, table.rowCount) : [],
    aside: { ...aside, ...column.aside },
    ...(formula.kind === 'bands' && !column.levels
      ? { levels: formula.names.map((name) => ({ id: name, name })) }
      : {}),
  };
  made.set(column, { sources, rowCount: table.rowCount, column: result });
  return result;
}

/** A derived column with its cells; remembered for as long as its sources stand. */
export const derivedColumn = (table: Table, column: Column): Column => computed(table, column, new Map());

const filled = new WeakMap<Table, Table>();

/**
 * The table with its derived columns computed: what every reader of readings starts from. Only columns whose sources
 * changed are computed anew, and a table without derived columns is returned as it is.
 */
export function withDerived(table: Table): Table {
  if (!table.columns.some((c) => c.formula)) return table;
  const before = filled.get(table);
  if (before) return before;
  const done = new Map<string, Column>();
  const result = { ...table, columns: table.columns.map((c) => computed(table, c, done)) };
  filled.set(table, result);
  filled.set(result, result);
  return result;
}

/** Why a formula cannot stand in a table, if so: a column it reads is gone, or it would read itself. */
export function formulaTrouble(table: Table, id: string, formula: Formula): string | undefined {
  const seen = new Set<string>();
  const reaches = (from: string): boolean => {
    if (from === id) return true;
    if (seen.has(from)) return false;
    seen.add(from);
    const next = findColumn(table, from)?.formula;
    return next !== undefined && sourcesOf(next).some(reaches);
  };
  for (const source of sourcesOf(formula)) {
    if (!findColumn(table, source)) return 'A column this is computed from is no longer in the table.';
    if (reaches(source)) return 'A column cannot be computed from itself, not even by way of another.';
  }
  if (formula.kind === 'bands') {
    if (formula.names.length !== formula.cuts.length + 1)
      return 'There must be one name more than there are cut-points.';
    if (formula.cuts.some((cut, i) => i > 0 && cut <= nth(formula.cuts, i - 1)))
      return 'Cut-points must rise from the first to the last.';
  }
  return undefined;
}

/** A derived column's definition in words, by the columns' present names. */
export function formulaWords(table: Table, formula: Formula): string {
  const nameOf = (id: string): string => findColumn(table, id)?.name ?? 'a column that is gone';
  switch (formula.kind) {
    case 'expression':
      return expressionText(formula.expression, nameOf);
    case 'percent-of-control': {
      const by = formula.by ? findColumn(table, formula.by) : undefined;
      const control = by ? (levelsOf(by).find((l) => l.id === formula.control)?.name ?? '') : nameOf(formula.control);
      return `${nameOf(formula.of)} in percent of the mean of ${control}`;
    }
    case 'score':
      return `${nameOf(formula.of)} as distance from its mean, in SDs`;
    case 'bands':
      return `${nameOf(formula.of)} in bands, cut at ${formula.cuts.join(', ')} (a reading on a cut belongs above it)`;
  }
}
