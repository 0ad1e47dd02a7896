import { freshId, replacedColumns } from '../readings/replaced-columns';
import { type Role, type Shape, type Table, emptyColumn } from '../readings/table';
import type { TableEdit } from '../readings/table-edit';

/** The columns a table of each layout begins with. */
const beginnings: Record<Shape, readonly [name: string, role: Role][]> = {
  columns: [
    ['Group 1', 'measure'],
    ['Group 2', 'measure'],
  ],
  rows: [
    ['group', 'group'],
    ['reading', 'measure'],
  ],
  repeated: [
    ['subject', 'subject'],
    ['before', 'measure'],
    ['after', 'measure'],
  ],
  grid: [
    ['factor', 'group'],
    ['Level 1', 'measure'],
    ['Level 2', 'measure'],
  ],
  counts: [
    ['group', 'group'],
    ['Category 1', 'count'],
    ['Category 2', 'count'],
  ],
  categories: [
    ['group', 'group'],
    ['outcome', 'group'],
  ],
  summary: [
    ['group', 'group'],
    ['mean', 'measure'],
    ['SD', 'spread'],
    ['n', 'count'],
  ],
};

/** Whether nothing was typed into a table yet. */
export const isBlank = (table: Table): boolean =>
  table.columns.every((c) => !c.formula && c.cells.every((cell) => cell.trim() === ''));

/** The edits that make an empty table one of a layout, with the columns it needs in their roles. */
export function scaffoldEdits(table: Table, shape: Shape): TableEdit[] {
  const wanted = beginnings[shape];
  // Names given already stay where the role does.
  const kept = table.columns.filter(
    (c, i) => c.role === wanted[i]?.[1] && c.name !== '' && !/^(Group|Level|Category) \d+$/.test(c.name),
  );
  const columns = wanted.map(([name, role], i) => {
    const before = table.columns[i];
    return before && kept.includes(before)
      ? { ...emptyColumn(`s${i}`, before.name, before.unit, role), colour: before.colour }
      : emptyColumn(`s${i}`, name, '', role);
  });
  return [
    ...replacedColumns(
      { columns: table.columns, rowCount: 0 },
      columns.map((c) => ({ ...c, id: freshId(table.columns, c.id) })),
    ),
    ...(shape === table.shape ? [] : [{ kind: 'describe-table', shape } as const]),
  ];
}
