/** Readings numbered beside one another, "rep 1", "rep 2", "rep 3", or under one name or none: several of one sample, not several variables. */
import { isMissing } from '../readings/parse-number';
import { subjectsUnder } from './crossing';
import { alike } from './alike';
import { weighed } from './evidence';
import { type Incoming, look } from './seen';
import { valueOf } from './sums';
import { replicateName } from './vocabulary';
import { cellAt } from '../readings/cell-at';

/** A block with its replicates below one another. */
export interface Gathered {
  columns: Incoming[];
  /** How many rows each row of the block became. */
  times: number;
  /** What was done, in words. */
  note: string;
}

const stemOf = (name: string): string => name.replace(/[\s_.-]*\d+$/u, '').trim();

/** Whether a column names each row for itself. */
const namesRows = ({ cells }: Incoming): boolean =>
  cells.every((c) => c.trim() !== '') && new Set(cells.map((c) => c.trim())).size === cells.length;

/** Whether a column names groups: some of its texts come again. */
const namesGroups = ({ cells }: Incoming): boolean => {
  const texts = new Set(cells.map((c) => c.trim()).filter(Boolean));
  return texts.size > 1 && texts.size < cells.length && [...texts].some((t) => valueOf(t) === undefined);
};

/** Columns of numbers at the end that have no name but perhaps one over the first of them, all of one size. */
function underOneName(columns: readonly Incoming[]): readonly Incoming[] {
  const last = columns.findLastIndex((c) => c.name.trim() !== '');
  if (last < 0 || columns.length - 1 - last < 2) return [];
  const isRead = (c: Incoming): boolean =>
    c.cells.every((cell) => !cell.trim() || isMissing(cell) || valueOf(cell) !== undefined);
  const over = columns[last];
  const from = over && isRead(over) && !namesGroups(over) ? last : last + 1;
  const run = columns.slice(from);
  if (!run.every(isRead)) return [];
  const [unit] = new Set(run.map((c) => c.unit).filter(Boolean));
  const seen = run.map((c, place) => look({ ...c, name: '', unit: unit ?? '' }, place));
  return seen.every((c) => c.kind === 'numbers') && weighed(alike(seen)) >= 0 ? run : [];
}

/**
 * Puts readings that are numbered beside a group one below the other, so that each row is one reading and its sample is
 * named; undefined where there are none, or where each row is a group of its own.
 * @param most rows there may be then
 */
export function replicatesGathered(columns: readonly Incoming[], most: number): Gathered | undefined {
  const numbered = columns.filter((c) => replicateName.test(c.name.trim()) || /^r\d+$/i.test(c.name.trim()));
  const replicates = numbered.length > 0 ? numbered : underOneName(columns);
  const others = columns.filter((c) => !replicates.includes(c));
  const [first] = replicates;
  if (!first || replicates.length < 2 || !others.some(namesGroups)) return undefined;
  const areAlike =
    numbered.length === 0 ||
    replicates.every((c) => c.unit === first.unit && stemOf(c.name).toLowerCase() === stemOf(first.name).toLowerCase());
  const cells = replicates.flatMap((c) => c.cells);
  const unread = cells.filter((text) => !isMissing(text) && text.trim() !== '' && valueOf(text) === undefined).length;
  // One cell that cannot be read among many is told where it stands.
  if (!areAlike || unread > (cells.length > 6 ? 1 : 0)) return undefined;
  const times = replicates.length;
  if (first.cells.length * times > most) return undefined;
  const each = (cells: readonly string[]): string[] => cells.flatMap((cell) => new Array<string>(times).fill(cell));
  // A subject that has a row under each level of a factor names its rows together with it.
  const named = others.find((c) => namesRows(c) && !namesGroups(c)) ?? subjectsUnder(others)[0]?.who;
  const sample: Incoming[] = named
    ? []
    : [{ name: 'sample', unit: '', cells: each(first.cells.map((_, row) => `sample ${row + 1}`)) }];
  return {
    columns: [
      ...sample,
      ...others.map((c) => ({ ...c, cells: each(c.cells) })),
      {
        name: /^(?:rep|value|r\d|$)/i.test(first.name) ? 'reading' : stemOf(first.name),
        unit: first.unit,
        cells: first.cells.flatMap((_, row) => replicates.map((c) => cellAt(c.cells, row))),
      },
    ],
    times,
    note: `The ${times} readings of each row stand below one another, and “${named?.name ?? 'sample'}” says which belong together.`,
  };
}
