/** Readings that share a cell, "20.1, 21.2, 22.3" beside the name of their group. */
import { cellAt, textAt } from '../readings/cell-at';
import { listed } from './lines';
import { valueOf } from './sums';

type Rows = readonly (readonly string[])[];

/** Rows of such lists at most. */
const mostLists = 200;

/** A grid of such lists under the names of columns, with the names of its row and its column before each reading. */
function listsInGrid([head = [], ...body]: Rows, places: ReadonlySet<number>): string[][] | undefined {
  const whole = head.length > 2 && places.size === head.length - 1 && !places.has(0);
  if (!whole || body.some((row) => textAt(row, 0) === '')) return undefined;
  const lists = body.map((row) => head.slice(1).map((_, i) => listed(textAt(row, i + 1))));
  if (!lists.every((row) => row.every((list) => list !== undefined))) return undefined;
  return [
    ['factor 1', 'factor 2', 'reading'],
    ...body.flatMap((row, r) =>
      head.slice(1).flatMap((name, i) => (lists[r]?.[i] ?? []).map((text) => [textAt(row, 0), name.trim(), text])),
    ),
  ];
}

/** A block in which one column holds a list of readings in each cell, with a reading a row; undefined of any other. */
export function listsInCells(block: Rows): string[][] | undefined {
  if (block.length > 2 * mostLists) return undefined;
  const [first = [], ...rest] = block.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (first.length < 2 || rest.length === 0 || rest.length > mostLists) return undefined;
  const hold = (row: readonly string[]): number[] => row.flatMap((cell, k) => (listed(cell) ? [k] : []));
  const places = new Set(rest.flatMap(hold));
  const [k, another] = places;
  if (k === undefined) return undefined;
  if (another !== undefined) return listsInGrid([first, ...rest], places);
  // Beside readings of their own, such cells are remarks, and three numbers from a year on are a day.
  const measured = first.some((_, i) => i > k && rest.every((row) => valueOf(cellAt(row, i)) !== undefined));
  if (measured || rest.every((row) => /^\d{4}\D\d{1,2}\D\d{1,2}$/.test(textAt(row, k)))) return undefined;
  const lists = rest.map((row) => listed(textAt(row, k)) ?? (textAt(row, k) === '' ? [] : [textAt(row, k)]));
  if (lists.filter((list) => list.length > 2).length < 0.8 * lists.length) return undefined;
  const apart = (row: readonly string[], list: readonly string[]): string[][] =>
    list.map((text) => first.map((_, i) => (i === k ? text : cellAt(row, i))));
  const own = listed(textAt(first, k));
  const head = own ? apart(first, own) : [[...first]];
  return [...head, ...rest.flatMap((row, i) => apart(row, lists[i] ?? []))];
}
