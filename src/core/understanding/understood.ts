/** What was understood of a table, in numbers and in a sentence: the same for the page, the answer and the command. */
import { besideRows } from '../readings/beside';
import { holdsCounts } from '../readings/count-table';
import { counted } from '../readings/counted';
import { columnsAreGroups, groupsOf } from '../readings/groups';
import { layoutClauses } from '../readings/layouts';
import { levelRows, levelsOf } from '../readings/levels';
import { readColumn } from '../readings/read-column';
import { type Table, called, columnsOf } from '../readings/table';
import { some } from './doubts/doubt';
import { likeliestCategory, likeliestOutcome } from './likeliest';

/** How many readings a table holds, and what became of the other cells. */
export interface Tally {
  groups: number;
  /** Levels of each factor, where there are two. */
  factors: number[];
  readings: number;
  /** Of those, the readings that belong to no group. */
  without: number;
  /** What they lack: the name of the column of groups. */
  lacking: string;
  aside: number;
  unread: number;
}

const known = new WeakMap<Table, Tally>();

/** Counts a table's readings, those of the likeliest outcome where several variables stand beside each other. */
export function tallyOf(table: Table): Tally {
  const before = known.get(table);
  if (before) return before;
  const outcome = table.shape === 'rows' ? likeliestOutcome(table) : undefined;
  const by = table.shape === 'rows' ? likeliestCategory(table) : undefined;
  const columns = outcome ? [outcome] : table.columns.filter((c) => c.role === 'measure' || c.role === 'count');
  const read = columns.map(readColumn);
  const total = (of: (r: (typeof read)[number]) => number): number => read.reduce((sum, r) => sum + of(r), 0);
  const rows = outcome && by ? levelRows(by) : undefined;
  const without = rows ? total((r) => r.used.filter(({ row }) => (rows[row] ?? -1) < 0).length) : 0;
  const filled = columns.filter(
    (c, i) => c.formula !== undefined || (read[i]?.used.length ?? 0) + (read[i]?.unread.length ?? 0) > 0,
  );
  const choice = { measure: outcome?.id, by: by?.id };
  const found: Tally = {
    groups: columnsAreGroups(table)
      ? filled.length > 0
        ? filled.length
        : columns.length
      : holdsCounts(table)
        ? 0
        : groupsOf(table, choice).length,
    factors:
      table.shape === 'rows' || table.shape === 'grid'
        ? [
            ...columnsOf(table, 'group').map((c) => levelsOf(c).length),
            ...(table.shape === 'grid' ? [columns.length] : []),
          ]
        : [],
    readings: total((r) => r.used.length) - without,
    without,
    lacking: called(by, 'group'),
    aside: total((r) => r.aside.length),
    unread: total((r) => r.unread.length),
  };
  known.set(table, found);
  return found;
}

/** "3 groups, 24 readings, 1 without a site": what a table holds. */
export function heldWords(table: Table): string {
  const tally = tallyOf(table);
  const rows = table.rowCount - besideRows(table.columns).size;
  if (table.shape === 'categories') return counted(rows, table.subject || 'row');
  if (table.shape === 'counts') return counted(tally.readings, 'count');
  if (table.shape === 'summary') return `figures of ${counted(tally.groups, 'group')}`;
  const parts =
    tally.factors.length > 1
      ? `${tally.factors.join(' × ')} groups, `
      : tally.groups > 0
        ? `${counted(tally.groups, 'group')}, `
        : '';
  return `${parts}${counted(tally.readings, 'reading')}${tally.without > 0 ? `, ${tally.without} without a ${tally.lacking}` : ''}`;
}

/** What was understood of a table, in one sentence without its controls. */
export function understoodSentence(table: Table): string {
  const names = (role: 'measure' | 'group'): string =>
    some(
      columnsOf(table, role).map((c) => called(c, `unnamed ${role}`)),
      5,
    );
  const { aside, unread } = tallyOf(table);
  const measured = names('measure') || 'no measure yet';
  const measures =
    table.shape === 'rows'
      ? `${measured === 'reading' ? '' : ` of ${measured}`}${columnsOf(table, 'group').length > 0 ? ` by ${names('group')}` : ''}`
      : '';
  return `Here ${layoutClauses[table.shape]}${measures}: ${heldWords(table)}${aside > 0 ? `, ${aside} set aside` : ''}${unread > 0 ? `, ${unread} not read as a number` : ''}.`;
}
