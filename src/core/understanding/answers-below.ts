/** Columns of answers under the names of groups, "red" and "white" over yes and no, each cell a subject of its own. */
import { freshId, replacedColumns } from '../readings/replaced-columns';
import { type Table, columnsOf, emptyColumn } from '../readings/table';
import type { TableEdit } from '../readings/table-edit';
import { cellAt, textAt } from '../readings/cell-at';
import type { Incoming } from './seen';
import { valueOf } from './sums';
import { areTurns, controlName, isNegative } from './vocabulary';

/** Different answers there are at most. */
const mostAnswers = 6;

/** Rows up to which it is asked whether columns of answers are groups: longer ones were written by a machine, a row a subject. */
const mostRows = 5000;

const filled = (cells: readonly string[]): string[] => cells.map((c) => c.trim()).filter((c) => c !== '');

/** Whether columns hold the same few answers, under names that are no times at which the same subjects were asked. */
function holdAnswers(columns: readonly Incoming[]): boolean {
  if (columns.length < 2 || columns.some((c) => c.name === '') || areTurns(columns.map((c) => c.name))) return false;
  const texts = columns.map((c) => new Set(filled(c.cells)));
  const all = new Set(texts.flatMap((own) => [...own]));
  const coded = [...all].every((t) => t === '0' || t === '1');
  if (all.size < 2 || all.size > mostAnswers || (!coded && [...all].some((t) => valueOf(t) !== undefined)))
    return false;
  return columns.every((c, i) => {
    const own = texts[i] ?? new Set();
    return filled(c.cells).length > own.size && columns.every((_, j) => [...own].some((t) => texts[j]?.has(t)));
  });
}

/** The answers below one another, the name each stood under beside it. */
function stacked(columns: readonly Incoming[]): [group: Incoming, outcome: Incoming] {
  const rows = columns.flatMap((c) => filled(c.cells).map((answer) => [c.name, answer] as const));
  return [
    { name: 'group', unit: '', cells: rows.map(([group]) => group) },
    { name: 'outcome', unit: '', cells: rows.map(([, answer]) => answer) },
  ];
}

/** Names of what may have come of a subject, as against names of groups: "settled", "dead". */
const outcomeName =
  /(?:ed|ing)$|^(?:alive|dead|present|positive|survival|survivor|ill|sick|pregnant|female|male|sex)$/iu;

/** Whether names are of groups for sure: one of them is a control, or not what another is. */
const areGroups = (names: readonly string[]): boolean =>
  names.some((a) => controlName.test(a) || names.some((b) => a !== b && isNegative(a, b)));

/**
 * A block of answers below one another, each beside the name it stood under, where they are of groups for sure: by their
 * names, or as they end at different rows. Undefined of any other.
 */
export function answersApart(block: readonly (readonly string[])[]): string[][] | undefined {
  const [head = [], ...body] = block;
  // Of most tables the first rows show that they hold other things than a few answers.
  const seen = new Set(body.slice(0, 50).flatMap((row) => filled(row)));
  if (seen.size > mostAnswers) return undefined;
  const columns = head.map((name, k): Incoming => ({
    name: name.trim(),
    unit: '',
    cells: body.map((row) => textAt(row, k)),
  }));
  if (body.some((row) => row.length > head.length) || !holdAnswers(columns)) return undefined;
  const ends = columns.map((c) => c.cells.findLastIndex((cell) => cell !== ''));
  const whole = columns.every((c, i) => c.cells.slice(0, ends[i]).every((cell) => cell !== ''));
  if (!(whole && new Set(ends).size > 1) && !areGroups(columns.map((c) => c.name))) return undefined;
  const [group, outcome] = stacked(columns);
  return [[group.name, outcome.name], ...group.cells.map((name, i) => [name, cellAt(outcome.cells, i)])];
}

/**
 * The edits that put the answers of a table below one another, where its columns may be groups.
 * @returns undefined where they are no such columns
 */
export function answersBelowEdits(table: Table): TableEdit[] | undefined {
  const groups = columnsOf(table, 'group');
  if (table.shape !== 'categories' || groups.length < table.columns.length || table.rowCount > mostRows)
    return undefined;
  // What is set aside would come back, and what is computed would not follow.
  if (groups.some((c) => c.formula !== undefined || Object.keys(c.aside).length > 0) || !holdAnswers(groups))
    return undefined;
  if (groups.every((c) => outcomeName.test(c.name)) && !areGroups(groups.map((c) => c.name))) return undefined;
  return replacedColumns(
    table,
    stacked(groups).map(({ name, cells }, at) => ({
      ...emptyColumn(freshId(table.columns, `c${at}`), name, '', 'group'),
      cells,
    })),
  );
}
