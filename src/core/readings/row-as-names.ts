/** A row of the table that was its heading all along. */
import { demand } from '../numeric/domain-error';
import type { Table } from './table';
import type { TableEdit } from './table-edit';
import { splitUnit } from './units';
import { cellAt } from './cell-at';

/**
 * The edits that make a row the names of the columns, units included; it and the rows above it, titles and the like, go.
 * @param row from 0 @throws DomainError where the row is empty
 */
export function rowAsNamesEdits(table: Table, row: number): TableEdit[] {
  const heads = table.columns.map((c) => splitUnit(cellAt(c.cells, row)));
  demand(
    row < table.rowCount && heads.some(({ name }) => name !== ''),
    'This row is empty: go to the one that holds the names.',
  );
  return [
    ...table.columns.flatMap((column, i): TableEdit[] => {
      const { name = '', unit = '' } = heads[i] ?? {};
      return name === '' || column.formula
        ? []
        : [{ kind: 'describe-column', column: column.id, name, ...(unit ? { unit } : {}) }];
    }),
    { kind: 'remove-rows', at: 0, count: row + 1 },
  ];
}
