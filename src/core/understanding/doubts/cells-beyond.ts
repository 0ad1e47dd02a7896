/** Cells that reach beyond the last name, in rows that have an empty cell before it. */
import { cellAt } from '../../readings/cell-at';
import { counted } from '../../readings/counted';
import type { Table } from '../../readings/table';
import type { TableEdit } from '../../readings/table-edit';
import { shiftedCells } from '../shifted-cells';
import { type TableDoubt, isSettled, settle, some } from './doubt';

export function cellsBeyond(table: Table): TableDoubt[] {
  const columns = table.columns.filter((c) => !c.formula);
  const found = isSettled(table, 'cells-shifted') ? undefined : shiftedCells(columns);
  const beyond = found && columns[found.beyond];
  // A column that someone began counts, and needs only a name.
  if (!found || beyond?.role !== 'label') return [];
  const back = found.rows.map(({ row, empty }): TableEdit => {
    const pushed = columns.slice(empty);
    const texts = pushed.slice(1).map((c) => cellAt(c.cells, row));
    return { kind: 'write', row, columns: pushed.map((c) => c.id), texts: [[...texts, '']] };
  });
  const one = found.rows.length === 1;
  return [
    {
      code: 'cells-shifted',
      text: `${counted(found.rows.length, 'cell')} beyond the last name ${one ? 'is' : 'are'} not counted (row ${some(found.rows.map(({ row }) => String(row + 1)))}): with an empty cell before ${one ? 'it' : 'them'}, the row may have slipped to the right.`,
      where: found.rows.slice(0, 20).map(({ row }) => ({ column: beyond.id, row, called: `row ${row + 1}` })),
      mends: [
        {
          label: one ? 'Move the cell back' : 'Move the cells back',
          edits: [...back, { kind: 'remove-column', column: beyond.id }],
        },
        {
          label: 'It is a column of its own',
          edits: [{ kind: 'describe-column', column: beyond.id, role: 'measure' }, settle(table, 'cells-shifted')],
        },
      ],
    },
  ];
}
