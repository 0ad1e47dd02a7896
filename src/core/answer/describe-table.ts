import { attempt } from '../numeric/domain-error';
import type { QuartileRule } from '../numeric/quantile';
import { type Description, describe, meanInterval } from '../procedures/describe';
import type { Interval } from '../procedures/interval';
import { besideRows } from '../readings/beside';
import { withDerived } from '../readings/derive';
import { columnsAreGroups, groupsOf } from '../readings/groups';
import { levelRows, levelsOf } from '../readings/levels';
import { type ColumnReadings, readColumn } from '../readings/read-column';
import { type Column, type Table, columnsOf, findColumn } from '../readings/table';
import { textAt } from '../readings/cell-at';

/** One line of a description: a group, a column, or everything together. */
export interface DescribedLine {
  name: string;
  unit: string;
  /** Place among the group colours, where it is a group. */
  colour: number | undefined;
  readings: ColumnReadings;
  /** Rows of the table, or of the group, without a reading. */
  missing: number;
  description: Description | undefined;
  interval: Interval | undefined;
}

function line(
  name: string,
  unit: string,
  colour: number | undefined,
  readings: ColumnReadings,
  missing: number,
  rule: QuartileRule,
  level: number,
): DescribedLine {
  const description = attempt(() =>
    describe(
      readings.used.map((r) => r.value),
      rule,
    ),
  );
  const interval = description.ok ? attempt(() => meanInterval(description.value, level)) : undefined;
  return {
    name,
    unit,
    colour,
    readings,
    missing,
    description: description.ok ? description.value : undefined,
    interval: interval?.ok ? interval.value : undefined,
  };
}

const together = (all: readonly ColumnReadings[]): ColumnReadings => ({
  used: all.flatMap((r) => r.used),
  aside: all.flatMap((r) => r.aside),
  unread: all.flatMap((r) => r.unread),
});

/** How many of these rows give the column no reading: neither one that counts nor one set aside. */
function missingIn(column: Column, rows: readonly number[]): number {
  const { used, aside } = readColumn(column);
  const there = new Set([...used, ...aside].map((r) => r.row));
  return rows.filter((row) => !there.has(row)).length;
}

/** The rows of a table that hold anything, but for totals and summaries: a reading that is missing is missing in one of them. */
function rowsOf(table: Table): number[] {
  const beside = besideRows(table.columns);
  return Array.from({ length: table.rowCount }, (_, row) => row).filter(
    (row) => !beside.has(row) && table.columns.some((c) => textAt(c.cells, row) !== ''),
  );
}

/**
 * Describes the columns chosen, each by group where another column names the groups, and all together.
 * @param chosen ids of columns; those that hold no readings are passed over, and none means all
 */
export function describeTable(
  raw: Table,
  chosen: readonly string[],
  rule: QuartileRule,
  level: number,
): DescribedLine[] {
  const table = withDerived(raw);
  const measured = table.columns.filter((c) => c.role === 'measure' || c.role === 'count');
  const picked = chosen.map((id) => findColumn(table, id)).filter((c) => c && measured.includes(c));
  const columns = picked.length > 0 ? measured.filter((c) => picked.includes(c)) : measured;
  const rows = rowsOf(table);
  const [by] = columnsAreGroups(table) ? [] : columnsOf(table, 'group');
  if (!by) {
    const groups = groupsOf(table);
    const lines = columns.map((c) => {
      const group = groups.find((g) => g.id === c.id);
      return line(c.name || 'unnamed', c.unit, group?.colour, readColumn(c), missingIn(c, rows), rule, level);
    });
    const units = new Set(columns.map((c) => c.unit));
    if (columns.length < 2 || units.size > 1) return lines;
    const all = together(columns.map(readColumn));
    const missing = lines.reduce((sum, l) => sum + l.missing, 0);
    return [...lines, line('all together', columns[0]?.unit ?? '', undefined, all, missing, rule, level)];
  }
  const [levels, at] = [levelsOf(by), levelRows(by)];
  return columns.flatMap((column) => {
    const groups = groupsOf({ ...table, average: false }, { measure: column.id });
    const of = columns.length > 1 ? `${column.name}, ` : '';
    const lines = groups.map((g) => {
      const place = levels.findIndex((l) => l.id === g.id);
      const own = rows.filter((row) => at[row] === place);
      return line(`${of}${g.name}`, column.unit, g.colour, g.readings, missingIn(column, own), rule, level);
    });
    const all = readColumn(column);
    return [...lines, line(`${of}all together`, column.unit, undefined, all, missingIn(column, rows), rule, level)];
  });
}
