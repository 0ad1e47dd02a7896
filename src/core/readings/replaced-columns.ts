import { sentColumn } from './column-edits';
import type { Column, Table } from './table';
import type { TableEdit } from './table-edit';

/** An id that none of some columns has, made from one that is wished. */
export function freshId(taken: readonly Pick<Column, 'id'>[], wish: string): string {
  let id = wish;
  for (let k = 2; taken.some((c) => c.id === id); k++) id = `${wish}-${k}`;
  return id;
}

/** The edits that put other columns, with all their cells, in the place of those a table has. */
export const replacedColumns = (
  table: Pick<Table, 'columns' | 'rowCount'>,
  columns: readonly Column[],
): TableEdit[] => [
  ...(table.rowCount > 0 ? [{ kind: 'remove-rows', at: 0, count: table.rowCount } as const] : []),
  ...table.columns.map((c): TableEdit => ({ kind: 'remove-column', column: c.id })),
  ...columns.map((c, at): TableEdit => ({ kind: 'insert-column', at, column: sentColumn(c) })),
];
