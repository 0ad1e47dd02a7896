/** Numbers that begin anew within each group, where replicate 1 of one group is another than replicate 1 of the next. */
import { textAt } from '../readings/cell-at';
import { valueOf } from './sums';
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import {
  calendarName,
  groupName,
  inherentName,
  personName,
  placeName,
  sampleNumber,
  spanName,
  spoken,
  subjectNumber,
  withinSampleName,
} from './vocabulary';

/** Rows that are looked at. */
const lookedAt = 3000;

const isTime = (name: string): boolean => calendarName.test(name) || spanName.test(name);

/** Whether a column names groups: few entries, each of several rows, and no readings unless it is called so. */
function namesGroups({ name, cells }: Incoming): boolean {
  const levels = new Set(cells.map((cell) => cell.trim()));
  return (
    levels.size > 1 &&
    levels.size <= 12 &&
    2 * levels.size <= cells.length &&
    !isTime(spoken(name)) &&
    (groupName.test(spoken(name)) || [...levels].every((level) => valueOf(level) === undefined))
  );
}

/** The columns within whose groups the numbers of another begin anew: none of its samples can be in two of them. */
function homesOf(numbers: Incoming, columns: readonly Incoming[]): Incoming[] {
  const name = spoken(numbers.name).trim();
  const others = columns.filter((c) => c !== numbers && !withinSampleName.test(spoken(c.name).trim()));
  if (sampleNumber.test(name)) return others.filter(namesGroups);
  if (!subjectNumber.test(name)) return [];
  // What a plant is of, and where it grows, it is and does throughout.
  return others.filter(
    (c) =>
      namesGroups(c) &&
      (inherentName.test(spoken(c.name)) || (placeName.test(spoken(c.name)) && !personName.test(name))),
  );
}

/** Columns in which each sample has a name of its own, "red 1" and "white 1", where 1 named two. */
export function numberedWithin(columns: readonly Incoming[]): Worked {
  const as = { columns: [...columns], notes: [] };
  for (const numbers of columns) {
    const { cells } = numbers;
    if (cells.length < 4 || cells.some((cell) => cell.trim() === '')) continue;
    const homes = homesOf(numbers, columns);
    if (homes.length === 0) continue;
    const rows = cells.slice(0, lookedAt).map((_, row) => row);
    const nameOf = (row: number): string => [...homes, numbers].map((c) => textAt(c.cells, row)).join(' ');
    const different = (names: readonly string[]): number => new Set(names).size;
    const samples = different(rows.map(nameOf));
    const ids = different(rows.map((row) => textAt(cells, row)));
    if (ids < 2 || samples === ids) continue;
    const once = (by: Incoming | undefined): boolean =>
      different(rows.map((row) => `${nameOf(row)}\n${textAt(by?.cells, row)}`)) === rows.length;
    const replicates = sampleNumber.test(spoken(numbers.name).trim());
    const within = columns.filter((c) => withinSampleName.test(spoken(c.name).trim()) || isTime(spoken(c.name)));
    // Replicates read once each are the readings of their group, and need no name.
    if (replicates ? samples === rows.length || !within.some(once) : !once(undefined) && !within.some(once)) continue;
    const named = cells.map((_, row) => nameOf(row));
    const [first = '', last = ''] = [named[0], named.at(-1)];
    return {
      columns: columns.map((c) => (c === numbers ? { ...c, name: replicates ? 'sample' : c.name, cells: named } : c)),
      notes: [
        `“${numbers.name}” begins anew within ${homes.map((c) => `“${c.name}”`).join(' and ')}: each of them has a name of its own now, “${first}” to “${last}”.`,
      ],
    };
  }
  return as;
}
