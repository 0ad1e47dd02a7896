import { demand } from '../numeric/domain-error';
import { freshId, replacedColumns } from '../readings/replaced-columns';
import { type Table, withUnit } from '../readings/table';
import type { TableEdit } from '../readings/table-edit';
import { limits } from '../readings/table-edit';
import { intake } from './intake';
import { turnedRound } from './orientation';
import { cellAt } from '../readings/cell-at';

/** A table as the block it would be on the clipboard, its names on top where it has any. */
function blockOf(table: Table): string[][] {
  const names = table.columns.map((c) => withUnit(c.name, c.unit));
  const rows = Array.from({ length: table.rowCount }, (_, r) => table.columns.map((c) => cellAt(c.cells, r)));
  return names.some((n) => n !== '') ? [names, ...rows] : rows;
}

/**
 * The edits that exchange rows and columns: names become the first column, the first column the names.
 * @throws DomainError where something would be lost, or would not fit
 */
export function turnRoundEdits(table: Table): TableEdit[] {
  demand(table.rowCount > 0, 'There is nothing to turn round yet.');
  demand(
    table.rowCount < limits.columns,
    `Turned round, the ${table.rowCount.toLocaleString('en')} rows would be columns, and a table holds at most ${limits.columns}.`,
  );
  demand(
    !table.columns.some((c) => c.formula),
    'A computed column cannot be turned round: keep its numbers as they are, or remove it first.',
  );
  demand(
    !table.columns.some((c) => Object.keys(c.aside).length > 0),
    'Readings that are set aside would come back: bring them back yourself first, or remove them.',
  );
  const { table: turned } = intake(turnedRound(blockOf(table)), { turned: false });
  return [
    ...replacedColumns(
      table,
      turned.columns.map((c) => ({ ...c, id: freshId(table.columns, c.id) })),
    ),
    {
      kind: 'describe-table',
      shape: turned.shape,
      ...(turned.subject && !table.subject ? { subject: turned.subject } : {}),
    },
  ];
}
