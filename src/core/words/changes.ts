/** What was done to a table, in words for the log. */
import { cellAt } from '../readings/cell-at';
import { type Table, findColumn } from '../readings/table';
import { type DoubtCode, doubtNames } from '../understanding/doubts/doubt';
import type { EditOf, TableEdit } from '../readings/table-edit';
import { layoutNames } from '../readings/layouts';
import { colourNames, tableNames } from './table-names';
import { counted, percent } from './numbers';
import { listed } from './sentences';
import { tally } from '../numeric/tally';

const shortened = (text: string): string => (text.length > 40 ? `${text.slice(0, 40)}…` : text);
const quoted = (text: string): string => (text === '' ? 'nothing' : `“${shortened(text)}”`);

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
  described: 'figures of the description',
};

const names: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  ...tableNames,
  colour: Object.fromEntries(colourNames.entries()),
};

function value(part: string, of: unknown): string {
  if (of === null || of === undefined) return 'unset';
  if (typeof of === 'boolean') return of ? 'on' : 'off';
  const text = `${of as string | number}`;
  return part === 'level' ? percent(Number(of)) : (names[part]?.[text] ?? quoted(text));
}

/** "name now “Red lamp”, was “Red”": each part that was changed. @param was the parts as they were, where they are known */
const described = (edit: Record<string, unknown>, was: Record<string, unknown> = {}): string =>
  Object.entries(edit)
    .filter(([part]) => part in parts)
    .map(([part, now]) => {
      const name = parts[part] ?? part;
      if (typeof now === 'object' && now !== null) return `${name} changed`;
      const before = was[part];
      const known = part in was && before !== '' && typeof before !== 'object';
      return `${name} now ${value(part, now)}${known ? `, was ${value(part, before)}` : ''}`;
    })
    .join(', ');

/** "settled: a running number, “No”": what was said of what had been unclear, as far as it is new. */
function settledWords(table: Table, now: Readonly<Record<string, string>>, before: unknown): string {
  const was = (typeof before === 'object' && before !== null ? before : {}) as Readonly<Record<string, unknown>>;
  const said = Object.entries(now).filter(([code, as]) => was[code] !== as);
  return said
    .map(([code, as]) => {
      const of = findColumn(table, as)?.name ?? (as === 'right' ? 'as it was understood' : as);
      return `settled: ${code in doubtNames ? doubtNames[code as DoubtCode] : code}, ${of}`;
    })
    .join('; ');
}

/** What an edit changed as it was before, by the edits that take it back. */
function describedBefore(edit: TableEdit, inverse: readonly TableEdit[]): Record<string, unknown> | undefined {
  return inverse.find(
    (i) => i.kind === edit.kind && (i.kind !== 'describe-column' || edit.kind !== i.kind || i.column === edit.column),
  );
}

/** The text a cell had, by the edits that take a change back; empty where it had none. */
function textBefore(inverse: readonly TableEdit[], column: string, row: number): string {
  for (const edit of inverse) {
    if (edit.kind !== 'write') continue;
    const text = edit.texts[row - edit.row]?.[edit.columns.indexOf(column)];
    if (text !== undefined) return text;
  }
  return '';
}

/** Most cells whose texts are told one by one. */
const mostTold = 6;

/** "Red, rows 2 to 3: 7, 8; were 4, 5": what was written where, and what stood there. */
function written(table: Table, { row, columns, texts }: EditOf<'write'>, inverse: readonly TableEdit[]): string {
  const cells = texts.flatMap((line, r) =>
    columns.map((column, c) => ({ text: cellAt(line, c), was: textBefore(inverse, column, row + r) })),
  );
  const names = columns.slice(0, 3).map((id) => nameOf(table, id));
  const of = columns.length > 3 ? `${names.join(', ')} and ${columns.length - 3} more` : listed(names);
  const replaced = cells.filter(({ was }) => was !== '');
  if (cells.length > mostTold) {
    const over = replaced.length > 0 ? `, in place of ${counted(replaced.length, 'cell')}` : '';
    return `${counted(texts.length, 'row')} of ${of}, from row ${row + 1} on${over}`;
  }
  const where = `${of}, ${texts.length > 1 ? `rows ${row + 1} to ${row + texts.length}` : `row ${row + 1}`}`;
  const told = (some: readonly string[]): string => some.map((t) => (t === '' ? '–' : shortened(t))).join(', ');
  const now = cells.map(({ text }) => text);
  const was = told(cells.map((c) => c.was));
  if (now.every((t) => t === ''))
    return `${where} emptied${replaced.length > 0 ? `, ${replaced.length > 1 ? 'were' : 'was'} ${was}` : ''}`;
  return `${where}: ${told(now)}${replaced.length === 0 ? '' : cells.length === 1 ? `, was ${was}` : `; were ${was}`}`;
}

/** One edit in words; columns go by the names they have now. @param inverse what takes the change back, for what was there before */
export function editWords(table: Table, edit: TableEdit, inverse: readonly TableEdit[] = []): string {
  switch (edit.kind) {
    case 'write':
      return written(table, edit, inverse);
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
      return `${nameOf(table, edit.column)}: ${described(edit, describedBefore(edit, inverse))}`;
    case 'describe-table': {
      const before = describedBefore(edit, inverse);
      const settled = edit.settled ? settledWords(table, edit.settled, before?.settled) : '';
      return [described(edit, before), settled].filter((w) => w !== '').join(', ') || 'nothing changed';
    }
    case 'set-aside':
      return asideWords(table, edit);
  }
}

/** How many texts edits write, column by column. */
function textsIn(edits: readonly TableEdit[]): Map<string, number> {
  const found = new Map<string, number>();
  const add = (column: string, texts: readonly string[]): void => {
    const filled = texts.filter((t) => t !== '').length;
    if (filled > 0) tally(found, column, filled);
  };
  for (const edit of edits)
    if (edit.kind === 'insert-column') add(edit.column.id, edit.column.cells);
    else if (edit.kind === 'insert-rows')
      for (const [id, { cells }] of Object.entries(edit.content ?? {})) add(id, cells);
    else if (edit.kind === 'write')
      edit.columns.forEach((id, c) =>
        add(
          id,
          edit.texts.map((line) => cellAt(line, c)),
        ),
      );
  return found;
}

/** A block that came into an empty table; undefined where something stood there before. */
function entered(table: Table, edits: readonly TableEdit[], inverse: readonly TableEdit[]): string | undefined {
  const texts = textsIn(edits);
  if (texts.size === 0 || inverse.length === 0 || textsIn(inverse).size > 0) return undefined;
  const names = [...texts.keys()].slice(0, 3).map((id) => nameOf(table, id));
  const of = texts.size > 3 ? `${names.join(', ')} and ${texts.size - 3} more` : listed(names);
  const rows = Math.max(...texts.values());
  return `${counted(rows, 'row')} of ${of} entered, as ${layoutNames[table.shape]}`;
}

/** "group names put back: A is Red lamp, B is White lamp": which letter stood for which. */
function revealed(edits: readonly TableEdit[], inverse: readonly TableEdit[]): string {
  const heads = (all: readonly TableEdit[]): Map<string, string> =>
    new Map(
      all.flatMap((e): [string, string][] => {
        if (e.kind !== 'describe-column') return [];
        const levels = (e.levels ?? []).map(({ id, name }): [string, string] => [`${e.column} ${id}`, name]);
        return e.name === undefined ? levels : [[e.column, e.name], ...levels];
      }),
    );
  const letters = heads(inverse);
  const told = [...heads(edits)].flatMap(([id, name]) => {
    const was = letters.get(id);
    return was === undefined || was === name ? [] : [`${was} is ${shortened(name)}`];
  });
  const more = told.length > 12 ? [...told.slice(0, 12), `and ${told.length - 12} more`] : told;
  return `group names put back${more.length === 0 ? '' : `: ${more.sort().join(', ')}`}`;
}

/** Whether a change tells the name of a group: what a log may not repeat while names are hidden. */
export const namesGroups = (table: Table, edits: readonly TableEdit[]): boolean => {
  const isGroup = (id: string): boolean => findColumn(table, id)?.role === 'group';
  return edits.some(
    (e) =>
      (e.kind === 'describe-column' && (e.name !== undefined || e.levels !== undefined)) ||
      (e.kind === 'write' && e.columns.some(isGroup)) ||
      e.kind === 'insert-column' ||
      e.kind === 'remove-column',
  );
};

/** A change in words: its first few edits, and how many more. */
export function changeWords(table: Table, edits: readonly TableEdit[], inverse: readonly TableEdit[] = []): string {
  const blind = edits.find((e) => e.kind === 'describe-table' && e.blind !== undefined);
  if (blind?.kind === 'describe-table')
    return blind.blind?.to === undefined ? 'group names hidden behind letters' : revealed(edits, inverse);
  const layout = edits.find((e) => e.kind === 'describe-table' && e.shape !== undefined);
  if (layout && edits.length > 3 && layout.kind === 'describe-table') {
    const block = entered({ ...table, shape: layout.shape ?? table.shape }, edits, inverse);
    return block ?? `turned into another layout: ${layoutNames[layout.shape ?? table.shape]}`;
  }
  const words = edits.slice(0, 3).map((e) => editWords(table, e, inverse));
  return words.join('; ') + (edits.length > 3 ? `; and ${edits.length - 3} more` : '');
}
