import { nanoid } from 'nanoid';
import { isBlank } from '../../core/understanding/scaffold';
import { hasHead } from '../../core/understanding/heads';
import { type Intake, type IntakeChoice, intake } from '../../core/understanding/intake';
import { sentColumn } from '../../core/readings/column-edits';
import { type Table, emptyColumn } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { splitUnit } from '../../core/readings/units';

export { hasHead };

type Block = readonly (readonly string[])[];

/** Whether nothing was put into a table yet, so that what comes in may decide its layout. */
export const isUntouched = (table: Table): boolean => isBlank(table) && table.shape === 'columns';

/** The edits that put a block into an untouched table, with the layout it was understood to have. */
export function takeBlockEdits(
  table: Table,
  block: Block,
  choice: IntakeChoice = {},
): { edits: TableEdit[]; understood: Intake } {
  const understood = intake(block, choice);
  const { columns, shape, spread, level, subject } = understood.table;
  const edits: TableEdit[] = [];
  columns.forEach((column, k) => {
    const existing = table.columns[k];
    const { name, unit, role, decimal, cells, aside } = column;
    const marks = Object.entries(aside).map(([row, reason]) => ({ row: Number(row), reason }));
    if (existing) {
      // A name given beforehand stays where the block brings none.
      const given = name || (understood.heads.names ? '' : existing.name);
      edits.push({
        kind: 'describe-column',
        column: existing.id,
        name: given,
        role,
        decimal,
        ...(unit ? { unit } : {}),
      });
      edits.push({ kind: 'write', row: 0, columns: [existing.id], texts: cells.map((text) => [text]) });
      if (marks.length > 0) edits.push({ kind: 'set-aside', cells: marks.map((m) => ({ ...m, column: existing.id })) });
    } else {
      const named = name || (understood.heads.names || role !== 'measure' ? '' : `Group ${k + 1}`);
      edits.push({ kind: 'insert-column', at: k, column: sentColumn({ ...column, id: nanoid(8), name: named }) });
    }
  });
  table.columns.slice(columns.length).forEach((c) => edits.push({ kind: 'remove-column', column: c.id }));
  edits.push({ kind: 'describe-table', shape, spread, level, ...(subject && !table.subject ? { subject } : {}) });
  return { edits, understood };
}

/** The edits that put a block into the table at a cell, adding columns where it is wider; the names of those it adds. */
export function pasteEdits(
  table: Table,
  block: Block,
  row: number,
  column: number,
  namesFromHead: boolean,
): TableEdit[] {
  const head = namesFromHead ? block[0] : undefined;
  const body = namesFromHead ? block.slice(1) : block;
  const width = block[0]?.length ?? 0;
  const edits: TableEdit[] = [];
  const ids: string[] = [];
  for (let k = 0; k < width; k++) {
    const existing = table.columns[column + k];
    const { name, unit } = splitUnit(head?.[k] ?? '');
    if (existing) {
      ids.push(existing.id);
      if (head) edits.push({ kind: 'describe-column', column: existing.id, name, ...(unit ? { unit } : {}) });
    } else {
      const position = column + k;
      const unitBefore = table.columns.at(-1)?.unit ?? '';
      const fresh = emptyColumn(nanoid(8), head ? name : `Group ${position + 1}`, unit || unitBefore);
      edits.push({ kind: 'insert-column', at: position, column: sentColumn(fresh) });
      ids.push(fresh.id);
    }
  }
  if (body.length > 0) edits.push({ kind: 'write', row, columns: ids, texts: body.map((r) => [...r]) });
  return edits;
}
