/** Cells that hold two things, "A1 / 12.3", taken apart into two columns. */
import { demand } from '../numeric/domain-error';
import { sentColumn } from './column-edits';
import { type Column, type Table, emptyColumn } from './table';
import type { TableEdit } from './table-edit';

/** What people put between two things in a cell, the surest first. */
const separators = ['±', ';', '/', '|', ':', ',', '_', '-', ' '];

/** What most cells of a column could be split at; undefined where hardly any could. */
export function likelySeparator({ cells }: Column): string | undefined {
  const filled = cells.filter((c) => c.trim() !== '').slice(0, 500);
  return separators.find(
    (mark) => filled.length > 0 && filled.filter((c) => c.trim().indexOf(mark) > 0).length >= 0.8 * filled.length,
  );
}

/** A cell at its first separator; the whole of it before where there is none. */
export function splitCell(text: string, separator: string): [before: string, after: string] {
  const at = text.indexOf(separator);
  return at < 0 ? [text.trim(), ''] : [text.slice(0, at).trim(), text.slice(at + separator.length).trim()];
}

/**
 * The edits that split a column's cells: what stands before stays, what stands after goes into a new column beside it.
 * @param id of the new column @throws DomainError where no cell holds the separator, or readings are computed or set aside
 */
export function splitEdits(table: Table, column: Column, separator: string, id: string): TableEdit[] {
  demand(separator !== '', 'Type what the cells are to be split at.');
  demand(!column.formula, 'A computed column cannot be split: split the columns it is computed from.');
  const parts = column.cells.map((text) => splitCell(text, separator));
  demand(
    parts.some(([, after]) => after !== ''),
    `No cell of ${column.name || 'the column'} holds “${separator}” between two things.`,
  );
  const after = emptyColumn(id, `${column.name}, second part`.slice(0, 200), '', 'label');
  const numbers = parts.filter(([, text]) => text !== '' && Number.isFinite(Number(text.replace(',', '.')))).length;
  return [
    { kind: 'write', row: 0, columns: [column.id], texts: parts.map(([before]) => [before]) },
    {
      kind: 'insert-column',
      at: table.columns.indexOf(column) + 1,
      column: sentColumn({
        ...after,
        role: numbers > 0 && table.shape === 'rows' ? 'measure' : 'label',
        cells: parts.map(([, text]) => text),
      }),
    },
  ];
}
