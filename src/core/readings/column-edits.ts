import { DomainError, demand } from '../numeric/domain-error';
import { formulaTrouble } from './derive';
import { sourcesOf } from './formula';
import { type EditOf, type Edited, type TableEdit, limits } from './table-edit';
import { type Column, type Table, findColumn } from './table';

/** The column of this id. @throws DomainError when it is gone, or computed and to be typed into */
export function editableColumn(table: Table, id: string, typed = true): Column {
  const column = findColumn(table, id);
  if (!column) throw new DomainError('This column is no longer in the table: it was removed in the meantime.');
  demand(
    !typed || !column.formula,
    `${column.name || 'This column'} is computed from others, so its cells cannot be typed into. Keep its numbers as they are first, from its column head.`,
  );
  return column;
}

export const replaceColumns = (table: Table, changed: ReadonlyMap<string, Column>): Table => ({
  ...table,
  columns: table.columns.map((c) => changed.get(c.id) ?? c),
});

function demandFormula(table: Table, column: Column): void {
  const trouble = column.formula && formulaTrouble(table, column.id, column.formula);
  if (trouble) throw new DomainError(trouble);
}

export function insertColumn(table: Table, edit: EditOf<'insert-column'>): Edited {
  demand(!findColumn(table, edit.column.id), 'This column is in the table already.');
  demand(table.columns.length < limits.columns, `A table holds at most ${limits.columns} columns.`);
  demandFormula(table, edit.column);
  const columns = [...table.columns.slice(0, edit.at), edit.column, ...table.columns.slice(edit.at)];
  const rowCount = Math.max(table.rowCount, edit.column.cells.length);
  const inverse: TableEdit[] = [{ kind: 'remove-column', column: edit.column.id }];
  if (rowCount > table.rowCount)
    inverse.push({ kind: 'remove-rows', at: table.rowCount, count: rowCount - table.rowCount });
  return { table: { ...table, columns, rowCount }, inverse };
}

/** A column as an edit carries it. */
export const sentColumn = (column: Column): EditOf<'insert-column'>['column'] =>
  ({
    ...column,
    cells: [...column.cells],
    aside: { ...column.aside },
    ...(column.levels ? { levels: column.levels.map((l) => ({ ...l })) } : {}),
  }) as EditOf<'insert-column'>['column'];

export function removeColumn(table: Table, edit: EditOf<'remove-column'>): Edited {
  const column = editableColumn(table, edit.column, false);
  const needed = table.columns.find((c) => c.formula && sourcesOf(c.formula).includes(column.id));
  demand(
    !needed,
    `${needed?.name ?? ''} is computed from ${column.name || 'this column'}: remove that first, or keep its numbers as they are.`,
  );
  return {
    table: { ...table, columns: table.columns.filter((c) => c !== column) },
    inverse: [{ kind: 'insert-column', at: table.columns.indexOf(column), column: sentColumn(column) }],
  };
}

export function moveColumn(table: Table, edit: EditOf<'move-column'>): Edited {
  const column = editableColumn(table, edit.column, false);
  const from = table.columns.indexOf(column);
  const others = table.columns.filter((c) => c !== column);
  return {
    table: { ...table, columns: [...others.slice(0, edit.to), column, ...others.slice(edit.to)] },
    inverse: [{ kind: 'move-column', column: column.id, to: from }],
  };
}

/** Parts put in place of those there were, null taking an optional one away; and the parts as they were. */
function described<T extends object>(
  thing: T,
  parts: Readonly<Record<string, unknown>>,
): { next: T; before: Record<string, unknown> } {
  const next = { ...thing } as Record<string, unknown>;
  const before: Record<string, unknown> = {};
  for (const [part, value] of Object.entries(parts)) {
    if (value === undefined) continue;
    before[part] = next[part] ?? null;
    if (value === null) Reflect.deleteProperty(next, part);
    else next[part] = value;
  }
  return { next: next as T, before };
}

export function describeColumn(table: Table, { kind, column: id, ...parts }: EditOf<'describe-column'>): Edited {
  const { next, before } = described(editableColumn(table, id, false), parts);
  if (parts.formula) demandFormula(table, next);
  return {
    table: replaceColumns(table, new Map([[id, next]])),
    inverse: [{ kind, column: id, ...before }],
  };
}

export function describeTable(table: Table, { kind, ...parts }: EditOf<'describe-table'>): Edited {
  const { next, before } = described(table, parts);
  return { table: next, inverse: [{ kind, ...before }] };
}
