/** Cells that hold a name and its reading, "A 20.1", in rows and columns as on a field: a reading a row. */
import { nth } from '../numeric/nth';
import { textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

const namedReading = /^(\p{L}[\p{L}\d ]{0,30}?)\s*[ :=]\s*([+−-]?\d+(?:[.,]\d+)?)$/u;
/** Cells at least, and times that a name comes. */
const fewest = 6;
/** Cells at most. */
const most = 2000;

/** A block of such cells with a reading a row, its place beside it where rows or columns are named; undefined of any other. */
export function cellsNamed(block: Rows): string[][] | undefined {
  if (block.length > most) return undefined;
  const rows = block.filter((row) => row.some((cell) => cell.trim() !== ''));
  const width = Math.max(0, ...rows.map((row) => row.length));
  if (width < 2 || width * rows.length > most) return undefined;
  const parts = (r: number, k: number): RegExpExecArray | null => namedReading.exec(textAt(rows[r], k));
  const isNames = (line: readonly (RegExpExecArray | null)[]): boolean => line.every((found) => found === null);
  const across = isNames(Array.from({ length: width }, (_, k) => parts(0, k)));
  const down = isNames(rows.map((_, r) => parts(r, 0)));
  const cells = rows.slice(across ? 1 : 0).flatMap((_, i) =>
    Array.from({ length: width - (down ? 1 : 0) }, (_, j) => {
      const [r, k] = [i + (across ? 1 : 0), j + (down ? 1 : 0)];
      return { r, k, text: textAt(rows[r], k), found: parts(r, k) };
    }),
  );
  const held = cells.filter(({ text }) => text !== '');
  const named = held.flatMap(({ r, k, found }) =>
    found ? [{ r, k, name: nth(found, 1), reading: nth(found, 2) }] : [],
  );
  // "tank 3" is a name with its number.
  const measured = named.filter(({ reading }) => /[.,]/.test(reading)).length;
  if (named.length < fewest || named.length < held.length || 2 * measured < named.length) return undefined;
  const names = new Set(named.map(({ name }) => name));
  if (names.size < 2 || 2 * names.size > named.length) return undefined;
  const placed = (r: number, k: number): string =>
    [down ? textAt(rows[r], 0) : '', across ? textAt(rows[0], k) : ''].filter(Boolean).join(', ');
  return down || across
    ? [['group', 'reading', 'label'], ...named.map(({ r, k, name, reading }) => [name, reading, placed(r, k)])]
    : [['group', 'reading'], ...named.map(({ name, reading }) => [name, reading])];
}
