/** Names that stand over the readings that belong to them: alone in a row, or in the first cell of heads that come again. */
import { isMissing } from '../readings/parse-number';
import { valueOf } from './sums';
import { cellAt, textAt } from '../readings/cell-at';
import { nth } from '../numeric/nth';

type Rows = readonly (readonly string[])[];

const filled = (row: readonly string[]): string[] => row.filter((cell) => cell.trim() !== '');
/** A name has a word in it; "3.1 cm" and "<0.5" are readings of their own kind. */
const isText = (cell: string): boolean =>
  /^[^\d<>≤≥~].*\p{L}|^\p{L}{2}/u.test(cell.trim()) && !isMissing(cell) && valueOf(cell) === undefined;
const isReading = (row: readonly string[]): boolean => row.some((cell) => valueOf(cell) !== undefined);

/** Rows looked at: what is longer comes from an instrument. */
const mostRows = 5000;

/** Rows under a name there are at least. */
const fewest = 2;

/** Tables below one another, "Red lamp, length" over its readings and "White lamp, length" over others, as one. */
function tablesBelow(rows: Rows): string[][] | undefined {
  const [top = []] = rows;
  const [, ...heads] = top.map((cell) => cell.trim());
  const isHead = (row: readonly string[]): boolean =>
    isText(cellAt(row, 0)) && heads.every((text, k) => text === textAt(row, k + 1));
  const at = rows.flatMap((row, i) => (isHead(row) ? [i] : []));
  const names = at.map((i) => textAt(rows[i], 0));
  if (!heads.some(isText) || at.length < 2 || new Set(names).size < names.length) return undefined;
  const under = (k: number): Rows => rows.slice(nth(at, k) + 1, at[k + 1]);
  if (!at.every((_, k) => under(k).length >= fewest && under(k).every(isReading))) return undefined;
  // Rows numbered anew in each table are not those of the other.
  const numbered = at.every((_, k) => under(k).every((row, i) => Number(row[0]) === i + 1));
  const readings = at.flatMap((_, k) => under(k).map((row) => [cellAt(names, k), ...row.slice(numbered ? 1 : 0)]));
  return [['group', ...(numbered ? [] : ['sample']), ...heads], ...readings];
}

/** Groups side by side, and others below them under names of their own, all side by side; undefined where there are none. */
export function groupsBelow(block: Rows): string[][] | undefined {
  if (block.length > mostRows) return undefined;
  const rows = block.filter((row) => filled(row).length > 0);
  // Names stand first, or below a gap; a row of remarks among readings is none of names.
  const below = new Set(block.filter((_, r) => r === 0 || filled(block[r - 1] ?? []).length === 0));
  const isHead = (row: readonly string[]): boolean =>
    below.has(row) && filled(row).length > 1 && filled(row).every(isText);
  const at = rows.flatMap((row, i) => (isHead(row) ? [i] : []));
  const heads = at.map((i) => filled(rows[i] ?? []).map((name) => name.trim()));
  const names = heads.flat();
  if (at.length < 2 || at[0] !== 0 || new Set(names).size < names.length) return undefined;
  const under = (k: number): Rows => rows.slice(nth(at, k) + 1, at[k + 1]);
  const areReadings = (row: readonly string[]): boolean =>
    row.every((cell) => cell.trim() === '' || isMissing(cell) || valueOf(cell) !== undefined);
  if (!at.every((_, k) => under(k).length >= fewest && under(k).every(areReadings))) return undefined;
  const columns = at.flatMap((i, k) =>
    (rows[i] ?? []).flatMap((name, c) => (name.trim() === '' ? [] : [under(k).map((row) => cellAt(row, c))])),
  );
  const height = Math.max(...columns.map((c) => c.length));
  return [names, ...Array.from({ length: height }, (_, r) => columns.map((c) => cellAt(c, r)))];
}

/**
 * A block in which a name stands alone over each group's rows, with that name in a column of its own before them;
 * undefined where there are fewer than two such names, or rows that stand under none but the heads.
 */
export function sectionsApart(block: Rows): string[][] | undefined {
  if (block.length > mostRows) return undefined;
  const rows = block.filter((row) => filled(row).length > 0);
  const below = tablesBelow(rows);
  if (below) return below;
  const width = Math.max(0, ...rows.map((row) => row.length));
  const isName = (row: readonly string[]): boolean => filled(row).length === 1 && isText(cellAt(row, 0));
  // A name over a name is that of the readings.
  const titled = rows[0] !== undefined && rows[1] !== undefined && isName(rows[0]) && isName(rows[1]);
  const at = rows.flatMap((row, i) => (isName(row) && !(titled && i === 0) ? [i] : []));
  const [first = -1] = at;
  // Names over all columns may stand first.
  const heads = rows.slice(0, first);
  if (at.length < 2 || heads.length > 1 || heads.some((row) => isReading(row) || filled(row).length < width - 1))
    return undefined;
  // Over several columns the row below the first name may hold their names: then it is a title.
  const under = (k: number): Rows => rows.slice(nth(at, k) + 1, at[k + 1]);
  if (!at.every((_, k) => under(k).length >= fewest && under(k).every(isReading))) return undefined;
  const names = at.map((i) => textAt(rows[i], 0).replace(/[:=]$/, ''));
  if (new Set(names).size < names.length) return undefined;
  // Rows numbered on, or anew under each name, are nobody who comes back.
  const counts = (all: Rows): boolean => all.every((row, i) => Number(row[0]) === i + 1);
  const numbered = at.every((_, k) => counts(under(k))) || counts(at.flatMap((_, k) => under(k)));
  const from = width > 1 && numbered ? 1 : 0;
  const readings = at.flatMap((_, k) => under(k).map((row) => [cellAt(names, k), ...row.slice(from)]));
  return [...heads.map((row) => ['group', ...row.slice(from)]), ...readings];
}
