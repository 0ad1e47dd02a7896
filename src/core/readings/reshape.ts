import { nth } from '../numeric/nth';
import { there } from '../numeric/there';
import { DomainError, demand } from '../numeric/domain-error';
import { freshId, replacedColumns } from './replaced-columns';
import { withDerived } from './derive';
import { columnsAreGroups } from './groups';
import { repeatsOf } from './repeats';
import { levelRows, levelsOf } from './levels';
import { readColumn } from './read-column';
import type { TableEdit } from './table-edit';
import { type Column, type Level, type Shape, type Table, columnsOf, emptyColumn } from './table';
import { cellAt, textAt } from './cell-at';
import { addTo } from '../numeric/add-to';

/** A table's columns in another shape, with the shape they have then. */
interface Reshaped {
  shape: Shape;
  columns: Column[];
  measure?: string;
}

const list = (columns: readonly Column[]): string => columns.map((c) => `“${c.name || 'unnamed'}”`).join(', ');

/** Last row with text in a column, plus one. */
const height = (column: Column): number => {
  let end = column.cells.length;
  while (end > 0 && textAt(column.cells, end - 1) === '') end -= 1;
  return end;
};

/** What the groups are called together when they move from column heads into a column. */
const factorName = 'group';

/** Column groups stacked: one row per reading, the group named beside it. */
function stacked(table: Table): Reshaped {
  const measures = columnsOf(table, 'measure');
  const beside = table.columns.filter((c) => c.role !== 'measure');
  const units = new Set(measures.map((c) => c.unit));
  demand(measures.length > 0, 'There is no column of readings to stack.');
  demand(
    units.size === 1,
    `The groups have different units (${[...units].map((u) => u || 'none').join(', ')}), and one column can have one only: give them the same unit first.`,
  );
  const names = measures.map((c, i) => c.name || `group ${i + 1}`);
  demand(
    new Set(names).size === names.length,
    'Two groups have the same name, and could not be distinguished in one column: rename one first.',
  );
  const marks = new Set(measures.map((c) => `${c.decimal} ${c.limits ?? 'leave'}`));
  demand(
    marks.size === 1,
    'Decimals, or cells beyond a limit, are set to be read in different ways in these columns: set them alike first.',
  );
  const group: string[] = [];
  const value: string[] = [];
  const aside: Record<number, string> = {};
  const others = beside.map(() => [] as string[]);
  const repeated = table.shape === 'repeated';
  // Rows of a grid and of repeated readings belong together, so a missing one keeps its place.
  const whole = columnsAreGroups(table) && (table.shape !== 'columns' || beside.length > 0);
  measures.forEach((column, k) => {
    const end = whole ? table.rowCount : height(column);
    for (let row = 0; row < end; row++) {
      const reason = column.aside[row];
      if (reason !== undefined) aside[value.length] = reason;
      group.push(cellAt(names, k));
      value.push(cellAt(column.cells, row));
      beside.forEach((c, i) => others[i]?.push(cellBeside(table, c, row)));
    }
  });
  const levels: Level[] = measures.map((c, i) => ({
    id: c.id,
    name: cellAt(names, i),
    ...(c.colour === undefined ? {} : { colour: c.colour }),
  }));
  const extra: Column[] = [];
  if (repeated && columnsOf(table, 'subject').length === 0)
    extra.push({
      ...emptyColumn(freshId(table.columns, 'subject'), table.subject || 'subject', '', 'subject'),
      cells: measures.flatMap(() => Array.from({ length: table.rowCount }, (_, row) => String(row + 1))),
    });
  const [first] = measures;
  return {
    shape: 'rows',
    columns: [
      ...extra,
      ...beside.map((c, i) => ({ ...c, cells: others[i] ?? [] })),
      { ...emptyColumn(freshId(table.columns, 'by'), factorName, '', 'group'), cells: group, levels },
      {
        ...emptyColumn(freshId(table.columns, 'value'), table.measure || 'reading', first?.unit ?? ''),
        decimal: first?.decimal ?? 'auto',
        ...(first?.limits ? { limits: first.limits } : {}),
        cells: value,
        aside,
      },
    ],
  };
}

/** A cell beside the readings; in a grid an empty one stands for the level named above it. */
function cellBeside(table: Table, column: Column, row: number): string {
  const text = cellAt(column.cells, row);
  if (table.shape !== 'grid' || column.role !== 'group' || text.trim() !== '') return text;
  for (let above = row - 1; above >= 0; above--) {
    const name = cellAt(column.cells, above);
    if (name.trim() !== '') return name;
  }
  return '';
}

/** One row per reading spread out again: a column for each group, rows that belong together side by side. */
function spreadOut(table: Table, target: Shape): Reshaped {
  const measures = columnsOf(table, 'measure');
  const groups = columnsOf(table, 'group');
  const [measure] = measures;
  const by = groups.at(-1);
  if (!measure || !by) throw new DomainError('A column of readings and a column that names their groups are needed.');
  demand(
    measures.length === 1,
    `There are several measures (${list(measures)}), and each column can hold one: keep one, or make the others labels.`,
  );
  const levels = levelsOf(by);
  const rows = levelRows(by);
  demand(levels.length > 0, `“${by.name}” names no groups yet.`);
  demand(levels.length <= 200, `“${by.name}” has ${levels.length} different entries: too many for a column each.`);
  const keys = table.columns.filter((c) => c !== measure && c !== by);
  const unnamed = rows.findIndex((place, row) => place < 0 && textAt(measure.cells, row) !== '');
  demand(unnamed < 0, `Row ${unnamed + 1} has a reading and no group: name its group in “${by.name}” first.`);
  if (target === 'columns' && keys.length > 0 && !keys.every((c) => c.role === 'subject' || c.role === 'label'))
    throw new DomainError(
      `${list(keys.filter((c) => c.role === 'group'))} would have no place: choose a two-way grid instead, or make it a label.`,
    );
  if (target === 'grid')
    demand(
      keys.length === 1 && keys[0]?.role === 'group',
      keys.length === 0
        ? 'A two-way grid needs a second column that names groups.'
        : `Beside the readings a two-way grid has one column for the rows; ${list(keys)} would not all have a place.`,
    );
  // Rows with the same entries beside them belong together; the k-th of a group goes with the k-th of another.
  const keyOf = (row: number): string => JSON.stringify(keys.map((c) => textAt(c.cells, row)));
  const places = new Map<string, number[]>();
  const rowOf: { keys: string[]; cells: Map<number, { text: string; reason: string | undefined }> }[] = [];
  const filledOf = new Map<string, number>();
  for (let row = 0; row < table.rowCount; row++) {
    const place = rows[row] ?? -1;
    if (place < 0) continue;
    const key = keyOf(row);
    const nth = filledOf.get(`${place} ${key}`) ?? 0;
    filledOf.set(`${place} ${key}`, nth + 1);
    const known = places.get(key) ?? [];
    places.set(key, known);
    if (known[nth] === undefined) {
      known[nth] = rowOf.length;
      rowOf.push({ keys: keys.map((c) => cellAt(c.cells, row)), cells: new Map() });
    }
    rowOf[there(known[nth], 'row')]?.cells.set(place, { text: cellAt(measure.cells, row), reason: measure.aside[row] });
  }
  if (target === 'grid' || target === 'repeated') {
    // Rows of a kind stand together, in the order in which their kinds first came.
    const order = new Map([...places.values()].flat().map((row, place) => [rowOf[row], place]));
    rowOf.sort((x, y) => there(order.get(x), 'place') - there(order.get(y), 'place'));
  }
  const columns = [
    ...keys.map((c, i) => ({ ...c, cells: rowOf.map((r) => cellAt(r.keys, i)), aside: {} })),
    ...levels.map((level, place): Column => {
      const aside: Record<number, string> = {};
      const cells = rowOf.map((r, row) => {
        const cell = r.cells.get(place);
        if (cell?.reason !== undefined) aside[row] = cell.reason;
        return cell?.text ?? '';
      });
      const id =
        level.id.length <= 40 && !keys.some((c) => c.id === level.id) ? level.id : freshId(table.columns, `g${place}`);
      return {
        ...emptyColumn(id, level.name, measure.unit),
        decimal: measure.decimal,
        ...(measure.limits ? { limits: measure.limits } : {}),
        cells,
        aside,
        ...(level.colour === undefined ? {} : { colour: level.colour }),
      };
    }),
  ];
  return { shape: target, columns, measure: measure.name };
}

/** Counts of a table as one row per cell: row name, column name, count. */
function countRows(table: Table): { by: [Column, Column]; counts: number[][]; names: [string[], string[]] } {
  const counts = columnsOf(table, 'count');
  const groups = columnsOf(table, 'group');
  const [rowsBy, secondBy] = groups;
  if (!rowsBy || counts.length === 0)
    throw new DomainError('A column that names the rows and a column of counts are needed.');
  const valueAt = (column: Column): Map<number, number> =>
    new Map(readColumn(column).used.map((r) => [r.row, r.value]));
  for (const column of counts) {
    const odd = readColumn(column).used.find((r) => r.value < 0 || !Number.isInteger(r.value));
    if (odd)
      throw new DomainError(
        `“${column.name}”, row ${odd.row + 1} holds ${odd.value}: a count is a whole number, zero or more.`,
      );
  }
  const rowNames = levelsOf(rowsBy).map((l) => l.name);
  const rowOf = levelRows(rowsBy);
  const columnNames =
    secondBy && counts.length === 1 ? levelsOf(secondBy).map((l) => l.name) : counts.map((c) => c.name);
  const matrix = rowNames.map(() => columnNames.map(() => 0));
  counts.forEach((column, k) => {
    const values = valueAt(column);
    for (let row = 0; row < table.rowCount; row++) {
      const i = rowOf[row] ?? -1;
      const j = secondBy && counts.length === 1 ? (levelRows(secondBy)[row] ?? -1) : k;
      const line = matrix[i];
      if (line && j >= 0) addTo(line, j, values.get(row) ?? 0);
    }
  });
  const second: Column =
    secondBy ?? emptyColumn(freshId(table.columns, 'category'), table.measure || 'category', '', 'group');
  return { by: [rowsBy, second], counts: matrix, names: [rowNames, columnNames] };
}

/** The most single rows that counts may be told out into. */
const mostRows = 100_000;

function toldOut(table: Table): Reshaped {
  const { by, counts, names } = countRows(table);
  const total = counts.flat().reduce((sum, n) => sum + n, 0);
  demand(total > 0, 'All counts are zero: there are no rows to tell them out into.');
  demand(total <= mostRows, `These counts would become ${total} rows, and at most ${mostRows} are made.`);
  const cells: [string[], string[]] = [[], []];
  counts.forEach((line, i) =>
    line.forEach((n, j) => {
      for (let k = 0; k < n; k++) {
        cells[0].push(cellAt(names[0], i));
        cells[1].push(cellAt(names[1], j));
      }
    }),
  );
  const levels = (which: 0 | 1): Level[] => {
    const kept = levelsOf(by[which]);
    return names[which].map((name) => kept.find((l) => l.name === name) ?? { id: name, name });
  };
  return {
    shape: 'categories',
    columns: by.map((column, k) => ({
      ...column,
      role: 'group',
      cells: cells[k as 0 | 1],
      levels: levels(k as 0 | 1),
      aside: {},
    })),
  };
}

function tabulated(table: Table): Reshaped {
  const [rowsBy, columnsBy, third] = columnsOf(table, 'group');
  if (!rowsBy || !columnsBy) throw new DomainError('Two columns of categories are needed to count how they meet.');
  demand(!third, 'More than two columns of categories: make all but two of them labels first.');
  const rest = table.columns.filter((c) => c !== rowsBy && c !== columnsBy);
  demand(
    rest.length === 0,
    `${list(rest)} would have no place in a table of counts: remove the column first, or draw a copy of the table without it.`,
  );
  const [names, categories] = [levelsOf(rowsBy), levelsOf(columnsBy)];
  demand(
    categories.length <= 200,
    `“${columnsBy.name}” has ${categories.length} different entries: too many for a column each.`,
  );
  const [inRow, inColumn] = [levelRows(rowsBy), levelRows(columnsBy)];
  const half = Array.from({ length: table.rowCount }, (_, row) => row).find(
    (row) => (inRow[row] ?? -1) < 0 !== (inColumn[row] ?? -1) < 0,
  );
  if (half !== undefined)
    throw new DomainError(`Row ${half + 1} names one category and not the other: fill it in, or remove the row.`);
  const counts = names.map(() => categories.map(() => 0));
  for (let row = 0; row < table.rowCount; row++) {
    if (rowsBy.aside[row] !== undefined || columnsBy.aside[row] !== undefined)
      throw new DomainError(
        `Row ${row + 1} is set aside, and a count cannot say so: bring it back or remove it first.`,
      );
    const line = counts[inRow[row] ?? -1];
    const j = inColumn[row] ?? -1;
    if (line && j >= 0) addTo(line, j, 1);
  }
  return {
    shape: 'counts',
    measure: columnsBy.name,
    columns: [
      { ...rowsBy, cells: names.map((l) => l.name), levels: names, aside: {} },
      ...categories.map((level, j): Column => ({
        ...emptyColumn(freshId([rowsBy], `k${j}`), level.name, '', 'count'),
        cells: counts.map((line) => String(nth(line, j))),
        ...(level.colour === undefined ? {} : { colour: level.colour }),
      })),
    ],
  };
}

function reshaped(table: Table, target: Shape): Reshaped {
  const computed = table.columns.filter((c) => c.formula);
  demand(
    computed.length === 0,
    `${list(computed)} ${computed.length === 1 ? 'is' : 'are'} computed from other columns: keep the numbers as they are, or remove the column first.`,
  );
  if (table.shape === 'counts' && target === 'categories') return toldOut(table);
  if (table.shape === 'categories' && target === 'counts') return tabulated(table);
  if (columnsAreGroups(table) && target === 'rows') return stacked(table);
  if (table.shape === 'rows' && (target === 'columns' || target === 'repeated' || target === 'grid'))
    return spreadOut(table, target);
  throw new DomainError('These two shapes hold different things, and one cannot be made of the other.');
}

/** Into which shapes a table could be turned. Whether it can be is told when it is tried. */
export function reshapeTargets(table: Table): Shape[] {
  if (columnsAreGroups(table)) return ['rows'];
  if (table.shape === 'rows')
    return columnsOf(table, 'group').length > 1
      ? ['grid']
      : (repeatsOf(table)?.shared ?? 0) > 0
        ? ['columns', 'repeated']
        : ['columns'];
  if (table.shape === 'counts') return ['categories'];
  if (table.shape === 'categories') return ['counts'];
  return [];
}

/**
 * The edits that turn a table into another shape; every reading, mark and reason comes along.
 * @throws DomainError saying what would have no place in the other shape
 */
export function reshapeEdits(table: Table, target: Shape): TableEdit[] {
  const { shape, columns, measure } = reshaped(table, target);
  const rows = Math.max(0, ...columns.map((c) => c.cells.length));
  demand(rows <= 200_000, `This would become ${rows} rows, and a table holds at most 200000.`);
  return [
    ...replacedColumns(table, columns),
    { kind: 'describe-table', shape, ...(measure && !table.measure ? { measure } : {}) },
  ];
}

/** The table in another shape, without changing it: for looking and for export. */
export function inShape(table: Table, target: Shape): Table {
  const plain = { ...table, columns: withDerived(table).columns.map((c) => ({ ...c, formula: undefined })) };
  const { shape, columns } = reshaped(plain, target);
  return { ...table, shape, columns, rowCount: Math.max(0, ...columns.map((c) => c.cells.length)) };
}
