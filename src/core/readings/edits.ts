import { describeColumn, describeTable, insertColumn, moveColumn, removeColumn } from './column-edits';
import { insertRows, moveRows, orderRows, removeRows, setAside, write } from './row-edits';
import type { Edited, TableEdit } from './table-edit';
import type { Table } from './table';

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
    case 'move-rows':
      return moveRows(table, edit);
    case 'order-rows':
      return orderRows(table, edit);
    case 'insert-column':
      return insertColumn(table, edit);
    case 'remove-column':
      return removeColumn(table, edit);
    case 'move-column':
      return moveColumn(table, edit);
    case 'describe-column':
      return describeColumn(table, edit);
    case 'describe-table':
      return describeTable(table, edit);
    case 'set-aside':
      return setAside(table, edit);
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
