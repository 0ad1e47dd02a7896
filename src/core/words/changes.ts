/** What was done to a table, in words for the log. */
import { type Table, findColumn } from '../readings/table';
import type { EditOf, TableEdit } from '../readings/table-edit';
import { counted } from './numbers';

const quoted = (text: string): string =>
  text === '' ? 'nothing' : `“${text.length > 40 ? `${text.slice(0, 40)}…` : text}”`;

function nameOf(table: Table, id: string): string {
  const column = findColumn(table, id);
  return column ? column.name || 'an unnamed column' : 'a column since removed';
}

function asideWords(table: Table, { cells }: EditOf<'set-aside'>): string {
  const [first] = cells;
  if (!first) return 'nothing set aside';
  const where =
    cells.length === 1
      ? `${nameOf(table, first.column)}, row ${first.row + 1}`
      : `${counted(cells.length, 'reading')} (${nameOf(table, first.column)}, row ${first.row + 1} …)`;
  return first.reason === null ? `${where} brought back` : `${where} set aside: ${first.reason || 'no reason given'}`;
}

const parts: Record<string, string> = {
  name: 'name',
  unit: 'unit',
  role: 'role',
  decimal: 'decimals',
  limits: 'cells beyond a limit',
  colour: 'colour',
  levels: 'groups',
  formula: 'definition',
  note: 'note',
  measure: 'what was measured',
  subject: 'what counts once',
  shape: 'layout',
  average: 'averaging within subjects',
  spread: 'kind of spread',
  level: 'level of the interval',
};

const described = (edit: Record<string, unknown>): string =>
  Object.entries(edit)
    .filter(([part]) => part in parts)
    .map(([part, value]) =>
      typeof value === 'object' && value !== null
        ? `${parts[part] ?? part} changed`
        : `${parts[part] ?? part} now ${value === null || value === undefined ? 'unset' : typeof value === 'boolean' ? (value ? 'on' : 'off') : quoted(`${value as string | number}`)}`,
    )
    .join(', ');

/** One edit in words; columns go by the names they have now. */
export function editWords(table: Table, edit: TableEdit): string {
  switch (edit.kind) {
    case 'write': {
      const cells = edit.texts.length * edit.columns.length;
      const [first = ''] = edit.texts[0] ?? [];
      const where = `${nameOf(table, edit.columns[0] ?? '')}, row ${edit.row + 1}`;
      if (cells === 1 && first === '') return `${where} emptied`;
      return cells === 1 ? `${where}: ${quoted(first)} typed` : `${counted(cells, 'cell')} written from ${where} on`;
    }
    case 'insert-rows':
      return `${counted(edit.count, 'row')} put in before row ${edit.at + 1}`;
    case 'remove-rows':
      return `${counted(edit.count, 'row')} removed from row ${edit.at + 1} on`;
    case 'move-rows':
      return `${counted(edit.count, 'row')} moved from row ${edit.at + 1} to row ${edit.to + 1}`;
    case 'order-rows':
      return 'rows put in another order';
    case 'insert-column':
      return `column ${quoted(edit.column.name)} put in`;
    case 'remove-column':
      return findColumn(table, edit.column) ? `${nameOf(table, edit.column)} removed` : 'a column removed';
    case 'move-column':
      return `${nameOf(table, edit.column)} moved to place ${edit.to + 1}`;
    case 'describe-column':
      return `${nameOf(table, edit.column)}: ${described(edit)}`;
    case 'describe-table':
      return described(edit);
    case 'set-aside':
      return asideWords(table, edit);
  }
}

/** A change in words: its first few edits, and how many more. */
export function changeWords(table: Table, edits: readonly TableEdit[]): string {
  const layout = edits.find((e) => e.kind === 'describe-table' && e.shape !== undefined);
  if (layout && edits.length > 3 && layout.kind === 'describe-table')
    return `turned into another layout: ${layout.shape ?? ''}`;
  const words = edits.slice(0, 3).map((e) => editWords(table, e));
  return words.join('; ') + (edits.length > 3 ? `; and ${edits.length - 3} more` : '');
}
