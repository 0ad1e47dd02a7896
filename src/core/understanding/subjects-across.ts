/** Subjects over columns, "block 1", "block 2", "block 3", and beside them what each of their rows was read under. */
import { sum, transpose } from 'd3-array';
import { isMissing } from '../readings/parse-number';
import { placesTogether } from '../readings/places';
import type { Gathered } from './replicates-gathered';
import type { Incoming } from './seen';
import { subjectNoun } from './subject-noun';
import { valueOf } from './sums';
import {
  areTurns,
  groupName,
  isTimeName,
  isTurn,
  looksLikeId,
  meanName,
  personName,
  settingName,
  sharedStem,
  spoken,
  subjectName,
  subjectNumber,
  totalName,
  treatmentName,
  variableIn,
} from './vocabulary';

/** Subjects there are at least, and rows for each at most. */
const [fewest, mostRows] = [3, 60];

const roman = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII', 'VIII'];

/** What names the subjects over columns, and the name each has: by their noun and number, by codes or by Roman numerals. */
function subjectsOver(names: readonly string[]): { called: string; own: string[]; coded: boolean } | undefined {
  if (names.length < fewest || new Set(names).size < names.length) return undefined;
  const parts = names.map((name) => /^(\p{L}[\p{L} ]*?)[\s_.-]*(\d{1,3}|[IVX]{1,4})$/u.exec(spoken(name).trim()));
  const [noun] = new Set(parts.map((part) => part?.[1]?.toLowerCase()));
  const alike = noun !== undefined && parts.every((part) => part?.[1]?.toLowerCase() === noun);
  if (alike && subjectNumber.test(noun))
    return { called: subjectNoun(noun) || noun, own: parts.map((part) => part?.[2] ?? ''), coded: false };
  if (names.every((name, i) => name === roman[i])) return { called: 'block', own: [...names], coded: false };
  const numbered = names.every((name, i) => Number(/\d+$/.exec(name)?.[0]) === i + 1);
  const coded =
    numbered && sharedStem(names)?.length === 1 && names.every((name) => looksLikeId(name) && !isTurn(name));
  return coded ? { called: 'subject', own: [...names], coded } : undefined;
}

/** Whether a column says what each row was read under: a treatment or a time, or texts that are no codes. */
function saysUnderWhat({ name, cells }: Incoming, coded: boolean): boolean {
  const called = spoken(name).trim();
  if (cells.some((cell) => cell.trim() === '') || cells.every((cell) => variableIn(cell))) return false;
  if (treatmentName.test(called) || settingName.test(called)) return true;
  if (!coded && groupName.test(called) && !subjectName.test(called) && !personName.test(called)) return true;
  if (called === '') return areTurns(cells) || !cells.every((cell) => looksLikeId(cell) || valueOf(cell) !== undefined);
  // Times beside codes may as well be those at which groups were read.
  return isTimeName(called) && !coded;
}

/** Whether a column of texts or times comes again, as one of two factors that cross does. */
const comesAgain = ({ name, cells }: Incoming): boolean =>
  new Set(cells.map((cell) => cell.trim())).size < cells.length &&
  cells.every((cell) => cell.trim() !== '' && (isTimeName(spoken(name)) || valueOf(cell) === undefined));

/** Columns without a last one that is the sum or the mean of the others in every row. */
function withoutSums(columns: readonly Incoming[]): readonly Incoming[] {
  const others = columns.slice(0, -1);
  const last = columns.at(-1);
  if (!last || !(totalName.test(last.name) || meanName.test(last.name))) return columns;
  const follows = last.cells.every((cell, row) => {
    const readings = others.flatMap((c) => valueOf(c.cells[row]) ?? []);
    const said = valueOf(cell) ?? NaN;
    const all = sum(readings);
    return [all, all / readings.length].some((x) => Math.abs(x - said) <= 0.006 * Math.abs(x));
  });
  return follows ? others : columns;
}

/**
 * Puts what each subject was read as below one another, a row a reading, and names the subjects in a column of their own;
 * undefined where no subjects stand over columns.
 * @param most rows there may be then
 */
export function subjectsAcross(columns: readonly Incoming[], most: number): Gathered | undefined {
  const rows = columns[0]?.cells.length ?? 0;
  if (rows < 2 || rows > mostRows) return undefined;
  const two = columns.slice(0, 2);
  const under = two.every(comesAgain) ? two : columns.slice(0, 1);
  const read = withoutSums(columns.slice(under.length));
  const found = subjectsOver(read.map((c) => c.name));
  const times = read.length;
  if (!found || under.length === 0 || rows * times > most) return undefined;
  const combinations = placesTogether(
    under.map((c) => c.cells),
    rows,
  ).names.length;
  const cells = read.flatMap((c) => c.cells);
  const unread = cells.filter((text) => !isMissing(text) && text.trim() !== '' && valueOf(text) === undefined).length;
  const units = new Set(read.map((c) => c.unit));
  // One cell that cannot be read among many is told where it stands.
  if (combinations < rows || (under.length === 1 && !under.every((c) => saysUnderWhat(c, found.coded))))
    return undefined;
  if (units.size > 1 || unread > (cells.length > 6 ? 1 : 0)) return undefined;
  return {
    columns: [
      ...under.map((c) => ({
        ...c,
        name: c.name || (areTurns(c.cells) ? 'time' : 'group'),
        cells: c.cells.flatMap((cell) => read.map(() => cell)),
      })),
      { name: found.called, unit: '', cells: Array.from({ length: rows }, () => found.own).flat() },
      { name: 'reading', unit: [...units][0] ?? '', cells: transpose(read.map((c) => c.cells)).flat() },
    ],
    times,
    note: `The ${times} readings of each row stand below one another, and “${found.called}” says which is of which.${read.length < columns.length - under.length ? ' What sums them up was left out.' : ''}`,
  };
}
