import { demand } from '../numeric/domain-error';
import { editableColumn, replaceColumns } from './column-edits';
import { type EditOf, type Edited, type TableEdit, limits } from './table-edit';
import type { Column, Table } from './table';
import { cellAt } from './cell-at';

type Aside = Record<number, string>;

/** A column's cells made at least `length` long. Trailing cells may be left out of `cells`; they read as empty. */
function padded(cells: readonly string[], length: number): string[] {
  const copy = cells.slice();
  while (copy.length < length) copy.push('');
  return copy;
}

/** The set-aside marks after each row has gone to `placeOf(row)`; a row that goes nowhere takes its mark along. */
function movedAside(aside: Column['aside'], placeOf: (row: number) => number | undefined): Aside {
  const moved: Aside = {};
  for (const [key, reason] of Object.entries(aside)) {
    const place = placeOf(Number(key));
    if (place !== undefined) moved[place] = reason;
  }
  return moved;
}

/** The set-aside marks of some rows, counted from the first of them. */
const asideWithin = (aside: Column['aside'], at: number, end: number): Aside =>
  movedAside(aside, (row) => (row >= at && row < end ? row - at : undefined));

export function write(table: Table, edit: EditOf<'write'>): Edited {
  const end = edit.row + edit.texts.length;
  demand(end <= limits.rows, `A table holds at most ${limits.rows} rows: split the block.`);
  const before: string[][] = edit.texts.map(() => []);
  const changed = new Map<string, Column>();
  edit.columns.forEach((id, k) => {
    const column = changed.get(id) ?? editableColumn(table, id);
    const cells = padded(column.cells, end);
    edit.texts.forEach((texts, i) => {
      before[i]?.push(cellAt(cells, edit.row + i));
      cells[edit.row + i] = cellAt(texts, k);
    });
    changed.set(id, { ...column, cells });
  });
  const added = Math.max(0, end - table.rowCount);
  const inverse: TableEdit[] = [{ kind: 'write', row: edit.row, columns: edit.columns, texts: before }];
  if (added > 0) inverse.push({ kind: 'remove-rows', at: table.rowCount, count: added });
  return { table: { ...replaceColumns(table, changed), rowCount: table.rowCount + added }, inverse };
}

export function insertRows(table: Table, edit: EditOf<'insert-rows'>): Edited {
  const { at, count, content } = edit;
  demand(at <= table.rowCount, 'There is no such row any more.');
  demand(table.rowCount + count <= limits.rows, `A table holds at most ${limits.rows} rows.`);
  const columns = table.columns.map((column) => {
    const fresh = content?.[column.id];
    const aside = movedAside(column.aside, (row) => (row < at ? row : row + count));
    for (const [row, reason] of Object.entries(fresh?.aside ?? {})) aside[at + Number(row)] = reason;
    if (column.cells.length <= at && !fresh) return { ...column, aside };
    const cells = padded(column.cells, at);
    const between = Array.from({ length: count }, (_, i) => cellAt(fresh?.cells, i));
    return { ...column, cells: cells.slice(0, at).concat(between, cells.slice(at)), aside };
  });
  return {
    table: { ...table, columns, rowCount: table.rowCount + count },
    inverse: [{ kind: 'remove-rows', at, count }],
  };
}

export function removeRows(table: Table, { at, count }: EditOf<'remove-rows'>): Edited {
  const end = at + count;
  demand(end <= table.rowCount, 'These rows are no longer in the table.');
  const content: Record<string, { cells: string[]; aside: Aside }> = {};
  const columns = table.columns.map((column) => {
    content[column.id] = { cells: column.cells.slice(at, end), aside: asideWithin(column.aside, at, end) };
    return {
      ...column,
      cells: column.cells.slice(0, at).concat(column.cells.slice(end)),
      aside: movedAside(column.aside, (row) => (row < at ? row : row >= end ? row - count : undefined)),
    };
  });
  return {
    table: { ...table, columns, rowCount: table.rowCount - count },
    inverse: [{ kind: 'insert-rows', at, count, content }],
  };
}

/** Puts every column's cells into another order of rows. */
function reordered(table: Table, order: readonly number[]): Table {
  const placeOf = new Int32Array(order.length);
  order.forEach((row, place) => (placeOf[row] = place));
  const columns = table.columns.map((column) => ({
    ...column,
    cells: column.formula ? column.cells : order.map((row) => cellAt(column.cells, row)),
    aside: movedAside(column.aside, (row) => placeOf[row]),
  }));
  return { ...table, columns };
}

export function orderRows(table: Table, { order }: EditOf<'order-rows'>): Edited {
  const inverse = new Array<number>(order.length).fill(-1);
  order.forEach((row, place) => (inverse[row] = place));
  demand(
    order.length === table.rowCount && inverse.length === order.length && !inverse.includes(-1),
    'The rows have changed since they were put in order: sort again.',
  );
  return { table: reordered(table, order), inverse: [{ kind: 'order-rows', order: inverse }] };
}

export function moveRows(table: Table, { at, count, to }: EditOf<'move-rows'>): Edited {
  demand(at + count <= table.rowCount && to + count <= table.rowCount, 'These rows are no longer in the table.');
  const rows = Array.from({ length: table.rowCount }, (_, row) => row);
  const taken = rows.splice(at, count);
  const order = rows.slice(0, to).concat(taken, rows.slice(to));
  return { table: reordered(table, order), inverse: [{ kind: 'move-rows', at: to, count, to: at }] };
}

export function setAside(table: Table, edit: EditOf<'set-aside'>): Edited {
  const before: EditOf<'set-aside'>['cells'] = [];
  const marks = new Map<string, Aside>();
  for (const { column: id, row, reason } of edit.cells) {
    let aside = marks.get(id);
    if (!aside) {
      aside = { ...editableColumn(table, id, false).aside };
      marks.set(id, aside);
    }
    demand(row < table.rowCount, 'There is no such row any more.');
    before.push({ column: id, row, reason: aside[row] ?? null });
    if (reason === null) Reflect.deleteProperty(aside, row);
    else aside[row] = reason;
  }
  const changed = new Map([...marks].map(([id, aside]) => [id, { ...editableColumn(table, id, false), aside }]));
  return { table: replaceColumns(table, changed), inverse: [{ kind: 'set-aside', cells: before.reverse() }] };
}
