import * as v from 'valibot';
import { DomainError, demand } from '../numeric/domain-error';
import type { Column, Table } from './table';

/** Limits that keep one table within what the page and the database answer quickly. */
export const limits = { rows: 200_000, columns: 400, text: 2_000 };

const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
const Text = v.pipe(v.string(), v.maxLength(limits.text, `A cell holds at most ${limits.text} characters.`));
const Row = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(limits.rows));
const Name = v.pipe(v.string(), v.maxLength(200, 'A name may have at most 200 characters.'));
const Aside = v.record(v.string(), Text);
const Content = v.record(Id, v.object({ cells: v.array(Text), aside: Aside }));

const ColumnSchema = v.object({
  id: Id,
  name: Name,
  unit: v.pipe(v.string(), v.maxLength(40, 'A unit may have at most 40 characters.')),
  role: v.picklist(['measure', 'group', 'subject', 'label', 'count']),
  decimal: v.picklist(['auto', 'point', 'comma']),
  cells: v.array(Text),
  aside: Aside,
});

/** One change to a table. Each is undone by the changes `applyEdit` returns beside its result. */
export const TableEdit = v.variant('kind', [
  /** Writes a block of texts, its rows from `row` down, its columns those named. Rows are added as needed. */
  v.object({ kind: v.literal('write'), row: Row, columns: v.array(Id), texts: v.array(v.array(Text)) }),
  v.object({ kind: v.literal('insert-rows'), at: Row, count: Row, content: v.optional(Content) }),
  v.object({ kind: v.literal('remove-rows'), at: Row, count: Row }),
  v.object({ kind: v.literal('insert-column'), at: Row, column: ColumnSchema }),
  v.object({ kind: v.literal('remove-column'), column: Id }),
  v.object({
    kind: v.literal('describe-column'),
    column: Id,
    name: v.optional(Name),
    unit: v.optional(ColumnSchema.entries.unit),
    decimal: v.optional(ColumnSchema.entries.decimal),
  }),
  v.object({ kind: v.literal('describe-table'), measure: v.optional(Name), subject: v.optional(Name) }),
  /** Sets cells aside with a reason, or brings them back (reason null). */
  v.object({
    kind: v.literal('set-aside'),
    cells: v.array(v.object({ column: Id, row: Row, reason: v.nullable(Text) })),
  }),
]);
export type TableEdit = v.InferOutput<typeof TableEdit>;

/** What an edit makes of a table, and what takes it back. */
export interface Edited {
  table: Table;
  inverse: TableEdit[];
}

type EditOf<K extends TableEdit['kind']> = Extract<TableEdit, { kind: K }>;

function columnOf(table: Table, id: string): Column {
  const column = table.columns.find((c) => c.id === id);
  if (!column) throw new DomainError('This column is no longer in the table: it was removed in the meantime.');
  return column;
}

const replaceColumn = (table: Table, next: Column): Table => ({
  ...table,
  columns: table.columns.map((c) => (c.id === next.id ? next : c)),
});

/** Moves the set-aside marks of rows at or after `from` by `by` rows; marks in rows that vanish are dropped. */
function shiftAside(aside: Column['aside'], from: number, by: number): Column['aside'] {
  const shifted: Record<number, string> = {};
  for (const [key, reason] of Object.entries(aside)) {
    const row = Number(key);
    if (row < from) shifted[row] = reason;
    else if (row + by >= from || by > 0) shifted[row + by] = reason;
  }
  return shifted;
}

/** A column's cells made at least `length` long. Trailing cells may be left out of `cells`; they read as empty. */
function padded(cells: readonly string[], length: number): string[] {
  const copy = cells.slice();
  while (copy.length < length) copy.push('');
  return copy;
}

function write(table: Table, edit: EditOf<'write'>): Edited {
  const end = edit.row + edit.texts.length;
  demand(end <= limits.rows, `A table holds at most ${limits.rows} rows: split the block.`);
  const before: string[][] = edit.texts.map(() => []);
  let next = table;
  edit.columns.forEach((id, k) => {
    const column = columnOf(next, id);
    const cells = padded(column.cells, end);
    edit.texts.forEach((texts, i) => {
      before[i]?.push(cells[edit.row + i] ?? '');
      cells[edit.row + i] = texts[k] ?? '';
    });
    next = replaceColumn(next, { ...column, cells });
  });
  const added = Math.max(0, end - table.rowCount);
  const inverse: TableEdit[] = [{ kind: 'write', row: edit.row, columns: edit.columns, texts: before }];
  if (added > 0) inverse.push({ kind: 'remove-rows', at: table.rowCount, count: added });
  return { table: { ...next, rowCount: table.rowCount + added }, inverse };
}

function insertRows(table: Table, edit: EditOf<'insert-rows'>): Edited {
  demand(edit.at <= table.rowCount, 'There is no such row any more.');
  demand(table.rowCount + edit.count <= limits.rows, `A table holds at most ${limits.rows} rows.`);
  const columns = table.columns.map((column) => {
    const content = edit.content?.[column.id];
    const cells = padded(column.cells, edit.at);
    const fresh = Array.from({ length: edit.count }, (_, i) => content?.cells[i] ?? '');
    const aside: Record<number, string> = { ...shiftAside(column.aside, edit.at, edit.count) };
    for (const [row, reason] of Object.entries(content?.aside ?? {})) aside[edit.at + Number(row)] = reason;
    return { ...column, cells: [...cells.slice(0, edit.at), ...fresh, ...cells.slice(edit.at)], aside };
  });
  return {
    table: { ...table, columns, rowCount: table.rowCount + edit.count },
    inverse: [{ kind: 'remove-rows', at: edit.at, count: edit.count }],
  };
}

function removeRows(table: Table, edit: EditOf<'remove-rows'>): Edited {
  const end = edit.at + edit.count;
  demand(end <= table.rowCount, 'These rows are no longer in the table.');
  const content: Record<string, { cells: string[]; aside: Record<string, string> }> = {};
  const columns = table.columns.map((column) => {
    const aside: Record<string, string> = {};
    for (const [row, reason] of Object.entries(column.aside))
      if (Number(row) >= edit.at && Number(row) < end) aside[Number(row) - edit.at] = reason;
    content[column.id] = { cells: column.cells.slice(edit.at, end), aside };
    const kept = Object.fromEntries(
      Object.entries(column.aside).filter(([row]) => Number(row) < edit.at || Number(row) >= end),
    );
    return {
      ...column,
      cells: [...column.cells.slice(0, edit.at), ...column.cells.slice(end)],
      aside: shiftAside(kept, edit.at, -edit.count),
    };
  });
  return {
    table: { ...table, columns, rowCount: table.rowCount - edit.count },
    inverse: [{ kind: 'insert-rows', at: edit.at, count: edit.count, content }],
  };
}

function insertColumn(table: Table, edit: EditOf<'insert-column'>): Edited {
  demand(!table.columns.some((c) => c.id === edit.column.id), 'This column is in the table already.');
  demand(table.columns.length < limits.columns, `A table holds at most ${limits.columns} columns.`);
  const columns = [...table.columns.slice(0, edit.at), edit.column, ...table.columns.slice(edit.at)];
  const rowCount = Math.max(table.rowCount, edit.column.cells.length);
  const inverse: TableEdit[] = [{ kind: 'remove-column', column: edit.column.id }];
  if (rowCount > table.rowCount)
    inverse.push({ kind: 'remove-rows', at: table.rowCount, count: rowCount - table.rowCount });
  return { table: { ...table, columns, rowCount }, inverse };
}

function removeColumn(table: Table, edit: EditOf<'remove-column'>): Edited {
  const column = columnOf(table, edit.column);
  return {
    table: { ...table, columns: table.columns.filter((c) => c !== column) },
    inverse: [
      {
        kind: 'insert-column',
        at: table.columns.indexOf(column),
        column: { ...column, cells: [...column.cells], aside: { ...column.aside } },
      },
    ],
  };
}

function describeColumn(table: Table, edit: EditOf<'describe-column'>): Edited {
  const column = columnOf(table, edit.column);
  const { name = column.name, unit = column.unit, decimal = column.decimal } = edit;
  return {
    table: replaceColumn(table, { ...column, name, unit, decimal }),
    inverse: [{ ...edit, name: column.name, unit: column.unit, decimal: column.decimal }],
  };
}

function setAside(table: Table, edit: EditOf<'set-aside'>): Edited {
  const before: EditOf<'set-aside'>['cells'] = [];
  let next = table;
  for (const { column: id, row, reason } of edit.cells) {
    const column = columnOf(next, id);
    demand(row < table.rowCount, 'There is no such row any more.');
    before.unshift({ column: id, row, reason: column.aside[row] ?? null });
    const others = Object.entries(column.aside).filter(([key]) => Number(key) !== row);
    const aside = Object.fromEntries(reason === null ? others : [...others, [String(row), reason]]);
    next = replaceColumn(next, { ...column, aside });
  }
  return { table: next, inverse: [{ kind: 'set-aside', cells: before }] };
}

/**
 * Applies one edit. The same function runs in the page and behind the database, so both always hold the same table.
 * @throws DomainError when the edit does not fit the table
 */
export function applyEdit(table: Table, edit: TableEdit): Edited {
  switch (edit.kind) {
    case 'write':
      return write(table, edit);
    case 'insert-rows':
      return insertRows(table, edit);
    case 'remove-rows':
      return removeRows(table, edit);
    case 'insert-column':
      return insertColumn(table, edit);
    case 'remove-column':
      return removeColumn(table, edit);
    case 'describe-column':
      return describeColumn(table, edit);
    case 'set-aside':
      return setAside(table, edit);
    case 'describe-table': {
      const { measure = table.measure, subject = table.subject } = edit;
      return {
        table: { ...table, measure, subject },
        inverse: [{ kind: 'describe-table', measure: table.measure, subject: table.subject }],
      };
    }
  }
}

/** Applies edits in order, as one change: `inverse` takes all of them back. */
export function applyEdits(table: Table, edits: readonly TableEdit[]): Edited {
  let result: Edited = { table, inverse: [] };
  for (const edit of edits) {
    const { table: next, inverse } = applyEdit(result.table, edit);
    result = { table: next, inverse: [...inverse, ...result.inverse] };
  }
  return result;
}
