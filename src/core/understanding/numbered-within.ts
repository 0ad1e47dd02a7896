/** Numbers that begin anew within each group, where replicate 1 of one group is another than replicate 1 of the next. */
import { nth } from '../numeric/nth';
import { cellAt, textAt } from '../readings/cell-at';
import { areFew, isLost } from './lost-names';
import { placesOf, standing } from '../readings/places';
import { valueOf } from './sums';
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import {
  areTurns,
  groupName,
  inherentName,
  isBlock,
  isTimeName,
  livingName,
  personName,
  placeName,
  sampleNumber,
  spoken,
  subjectNumber,
  withinSampleName,
} from './vocabulary';

/** Groups there are at most. */
const mostGroups = 12;

/** Whether a column names groups: few entries, each of several rows, and no readings unless it is called so. */
function namesGroups({ name, cells }: Incoming): boolean {
  const levels = new Set<string>();
  for (const cell of cells) if (levels.add(cell.trim()).size > mostGroups) return false;
  return (
    levels.size > 1 &&
    2 * levels.size <= cells.length &&
    !isTimeName(name) &&
    (groupName.test(spoken(name)) || [...levels].every((level) => valueOf(level) === undefined))
  );
}

/** Whether a column says who was read at each of several times: what is numbered within one are readings, no samples. */
const comesBackOverTime = (who: Incoming, columns: readonly Incoming[]): boolean =>
  subjectNumber.test(spoken(who.name).trim()) &&
  !isBlock(spoken(who.name)) &&
  columns.some(
    (c) =>
      c !== who &&
      (isTimeName(c.name) || areTurns([...new Set(c.cells.map((cell) => cell.trim()))])) &&
      standing(who.cells, c.cells).several >= placesOf(who.cells).names.length / 2,
  );

/** The columns within whose groups the numbers of another begin anew: none of its samples can be in two of them. */
function homesOf(numbers: Incoming, columns: readonly Incoming[]): Incoming[] {
  const name = spoken(numbers.name).trim();
  const others = columns.filter((c) => c !== numbers && !withinSampleName.test(spoken(c.name).trim()));
  if (sampleNumber.test(name))
    return others.some((c) => comesBackOverTime(c, columns)) ? [] : others.filter(namesGroups);
  if (!subjectNumber.test(name)) return [];
  // What a plant is of, and where it grows, it is and does throughout.
  return others.filter(
    (c) =>
      namesGroups(c) &&
      ((inherentName.test(spoken(c.name)) && livingName.test(name)) ||
        (placeName.test(spoken(c.name)) && !personName.test(name))),
  );
}

/** Columns in which each sample has a name of its own, "red 1" and "white 1", where 1 named two. */
export function numberedWithin(columns: readonly Incoming[]): Worked {
  const as = { columns: [...columns], notes: [] };
  for (const numbers of columns) {
    const { cells } = numbers;
    if (cells.length < 4) continue;
    const homes = homesOf(numbers, columns);
    if (homes.length === 0) continue;
    const parts = [...homes, numbers];
    // A row that lacks its number, or its group, is of no sample that is known.
    const told = cells.flatMap((_, row) => (parts.some((c) => isLost(cellAt(c.cells, row))) ? [] : [row]));
    if (told.length < 4 || !areFew(cells.length - told.length, cells.length)) continue;
    const nameAt = (row: number): string => parts.map((c) => textAt(c.cells, row)).join(' ');
    const named = told.map(nameAt);
    const at = (c: Incoming | undefined): string[] => told.map((row) => textAt(c?.cells, row));
    const different = (names: readonly string[]): number => new Set(names).size;
    const samples = different(named);
    const ids = different(at(numbers));
    if (ids < 2 || samples === ids) continue;
    const once = (by: Incoming | undefined): boolean =>
      different(at(by).map((text, i) => `${nth(named, i)}\n${text}`)) === named.length;
    const replicates = sampleNumber.test(spoken(numbers.name).trim());
    const within = columns.filter((c) => withinSampleName.test(spoken(c.name).trim()) || isTimeName(c.name));
    // Replicates read once each are the readings of their group, and need no name.
    if (replicates && samples === named.length) continue;
    // Read under several of what else is compared, one number may be of several samples within a group.
    const apart = columns.filter((c) => c !== numbers && !homes.includes(c) && namesGroups(c));
    const stands = apart.every((c) => standing(named, at(c)).several === 0);
    if (!once(undefined) && !within.some(once) && !stands) continue;
    const [first = '', last = ''] = [named[0], named.at(-1)];
    const known = new Set(told);
    const renamed = cells.map((_, row) => (known.has(row) ? nameAt(row) : ''));
    return {
      columns: columns.map((c) => (c === numbers ? { ...c, name: replicates ? 'sample' : c.name, cells: renamed } : c)),
      notes: [
        `“${numbers.name}” begins anew within ${homes.map((c) => `“${c.name}”`).join(' and ')}: each of them has a name of its own now, “${first}” to “${last}”.`,
      ],
    };
  }
  return as;
}
