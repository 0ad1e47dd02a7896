import { attempt } from '../numeric/domain-error';
import { countTable } from '../readings/count-table';
import { sentColumn } from '../readings/column-edits';
import { readColumn } from '../readings/read-column';
import { type Column, type Role, type Table, called, columnsOf, emptyColumn } from '../readings/table';
import type { TableEdit } from '../readings/table-edit';
import type { Mend } from '../understanding/doubts/doubt';
import { figureName, spreadKind } from '../understanding/vocabulary';

/** What a table lacks before anything can be asked of it, and what mends it. */
export interface Lacking {
  text: string;
  mends: Mend[];
}

const become = (column: Column, role: Role): TableEdit[] => [{ kind: 'describe-column', column: column.id, role }];

/** A column put in at the end, empty. */
const added = (table: Table, id: string, name: string, role: Role, at = table.columns.length): TableEdit => ({
  kind: 'insert-column',
  at,
  column: sentColumn(
    emptyColumn(table.columns.some((c) => c.id === id) ? `${id}-${table.columns.length}` : id, name, '', role),
  ),
});

/** Columns that hold numbers, and have another role. */
const numeric = (table: Table, not: Role): Column[] =>
  table.columns.filter((c) => c.role !== not && !c.formula && readColumn({ ...c, role: 'measure' }).used.length > 1);
const texts = (table: Table, not: Role): Column[] =>
  table.columns.filter(
    (c) => c.role !== not && c.cells.some((t) => t.trim() !== '') && !numeric(table, not).includes(c),
  );

/** What is missing for a question, in words with its mends; undefined where one can be asked. */
export function lackingFor(table: Table): Lacking | undefined {
  const has = (role: Role): boolean => columnsOf(table, role).length > 0;
  const offer = (columns: readonly Column[], role: Role, words: (name: string) => string): Mend[] =>
    columns.slice(0, 5).map((c) => ({ label: words(called(c, 'the unnamed column')), edits: become(c, role) }));
  if (table.columns.every((c) => c.cells.every((t) => t.trim() === '') && !c.formula))
    return {
      text: 'Type, paste a block from a spreadsheet, or open a file. A group with two readings can be asked about.',
      mends: [],
    };
  switch (table.shape) {
    case 'summary': {
      if (!has('group'))
        return {
          text: 'Nothing names the groups: a column with their names, and these are figures from a paper.',
          mends: [
            ...offer(texts(table, 'group'), 'group', (n) => `“${n}” names them`),
            { label: 'Add a column for names', edits: [added(table, 'group', 'group', 'group', 0)] },
          ],
        };
      if (!has('spread'))
        return {
          text: 'Nothing says how far the readings scatter: a column with the SD, SEM or variance is needed.',
          mends: [
            ...offer(
              // A median or a quartile says what it is.
              numeric(table, 'spread').filter((c) => !figureName.test(c.name) || spreadKind(c.name) !== null),
              'spread',
              (n) => `“${n}” does`,
            ),
            { label: 'Add a column for the SD', edits: [added(table, 'spread', 'SD', 'spread')] },
          ],
        };
      if (!has('count'))
        return {
          text: 'Nothing says how many readings each mean is of: another column with n, and these are figures from a paper.',
          mends: [
            ...offer(
              numeric(table, 'count').filter((c) => c.role === 'label'),
              'count',
              (n) => `“${n}” is n`,
            ),
            { label: 'Add a column for n', edits: [added(table, 'n', 'n', 'count')] },
          ],
        };
      return undefined;
    }
    case 'counts':
    case 'categories': {
      if (!has('group'))
        return {
          text: table.shape === 'counts' ? 'Nothing names the rows of counts.' : 'No column holds categories.',
          mends: [
            ...offer(texts(table, 'group'), 'group', (n) => `“${n}” does`),
            ...(table.shape === 'counts'
              ? [{ label: 'Add a column for names', edits: [added(table, 'group', 'group', 'group', 0)] }]
              : []),
          ],
        };
      if (table.shape === 'counts' && !has('count'))
        return {
          text: 'No column holds counts.',
          mends: offer(numeric(table, 'count'), 'count', (n) => `“${n}” holds counts`),
        };
      const tried = attempt(() => countTable(table));
      return tried.ok ? undefined : { text: tried.reason, mends: [] };
    }
    default: {
      if (!has('measure'))
        return {
          text: 'No column holds measurements yet.',
          mends: offer(numeric(table, 'measure'), 'measure', (n) => `“${n}” was measured`),
        };
      if (!columnsOf(table, 'measure').some((c) => c.formula !== undefined || readColumn(c).used.length > 1))
        return {
          text: 'A group needs two readings before it can be asked about: one alone shows no spread.',
          mends: [],
        };
      if (table.shape === 'grid' && !has('group'))
        return {
          text: 'Nothing names the rows of the grid.',
          mends: offer(texts(table, 'group'), 'group', (n) => `“${n}” does`),
        };
      return undefined;
    }
  }
}
