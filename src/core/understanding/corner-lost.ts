/** Heads one name short of their rows: what numbers or names the rows stands first, and nothing over it. */
import { isMissing } from '../readings/parse-number';
import { valueOf } from './sums';
import { areOfOneTime, calendarName, groupName, labelName, numberName, subjectName, turnName } from './vocabulary';
import { textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** Rows below the head that are looked at. */
const lookedAt = 200;

/** How many cells a row has, up to its last that holds something. */
const lengthOf = (row: readonly string[]): number => row.findLastIndex((cell) => cell.trim() !== '') + 1;

/** Names that stand over what the rows are called by. */
const overNames = [subjectName, groupName, labelName, numberName, calendarName, turnName];
const overNumbers = [subjectName, numberName, calendarName];

/** Whether the first cells of rows count them, from 0 or 1. */
const countRows = (first: readonly string[]): boolean => {
  const from = Number(first[0]);
  return (from === 0 || from === 1) && first.every((cell, i) => cell === String(from + i));
};

/** Whether the first cells of rows are their names, where the name over them, if it is one, is of none such. */
function nameRows(first: readonly string[], over: string, rest: readonly string[]): boolean {
  const areNames = first.every((cell) => cell !== '' && valueOf(cell) === undefined);
  const areFigures = rest.every((cell) => cell.trim() === '' || isMissing(cell) || valueOf(cell) !== undefined);
  return areNames && areFigures && new Set(first).size === first.length && !overNames.some((names) => names.test(over));
}

/** A block whose names stand over all its columns but the first, with an empty corner, or "row", before them; undefined of any other. */
export function withCorner(block: Rows): string[][] | undefined {
  const at = block.findIndex((row) => lengthOf(row) > 1);
  const head = (block[at] ?? []).slice(0, lengthOf(block[at] ?? []));
  const below = block.slice(at + 1, at + 1 + lookedAt).filter((row) => lengthOf(row) > 0);
  if (at < 0 || below.length < 2 || head.some((text) => text.trim() === '' || valueOf(text) !== undefined))
    return undefined;
  const full = below.filter((row) => lengthOf(row) === head.length + 1).length;
  if (full < 0.9 * below.length || below.some((row) => lengthOf(row) > head.length + 1)) return undefined;
  const first = below.map((row) => textAt(row, 0));
  // "Before: yes" beside "before: no" stands over counts.
  const over = areOfOneTime(head) ? '' : textAt(head, 0);
  const counted = countRows(first) && !overNumbers.some((names) => names.test(over));
  if (
    !counted &&
    !nameRows(
      first,
      over,
      below.flatMap((row) => row.slice(1)),
    )
  )
    return undefined;
  return block.map((row, r) => (r === at ? [counted ? 'row' : '', ...head] : [...row]));
}
