/** Rows that stand twice: every cell as in a row above, in a table whose names tell each row from the others. */
import { cellAt, textAt } from '../readings/cell-at';
import { partsOf } from './parts';
import { type Incoming, look } from './seen';

/** Rows looked at: in a larger table a few cases more decide nothing. */
const mostLooked = 2000;
/** A row in so many may stand twice by a slip; more do by design, unless all do. */
const oneIn = 5;

const textOf = (columns: readonly Incoming[], row: number): string =>
  columns.map((c) => textAt(c.cells, row)).join('\n');

/** Rows of two cells and more that are the same in each as one above them, whatever that may mean. */
function same(columns: readonly Incoming[], height: number): number[] {
  const known = new Set<string>();
  return Array.from({ length: height }, (_, row) => row).filter((row) => {
    const text = textOf(columns, row);
    return /\S\n+.*\S/.test(text) && known.size === known.add(text).size;
  });
}

/**
 * The rows that came in twice. A reading may come twice by chance; that a subject, or what it was read under, does, no
 * more often than by a slip, is told by the names beside it, which are of one row each everywhere else.
 * @returns places of the later ones, rising; none where the names of the others come again
 */
export function rowsTwice(columns: readonly Incoming[]): number[] {
  const height = Math.max(0, ...columns.map((c) => c.cells.length));
  if (columns.length < 2 || height < 4 || height > mostLooked) return [];
  const twice = same(columns, height);
  const left = new Set(twice);
  const rows = Array.from({ length: height }, (_, row) => row).filter(
    (row) => !left.has(row) && columns.some((c) => textAt(c.cells, row) !== ''),
  );
  const once = rows.length;
  if (twice.length === 0 || (twice.length > Math.max(1, once / oneIn) && twice.length !== once)) return [];
  const others = columns.map((c) => ({ ...c, cells: rows.map((row) => cellAt(c.cells, row)) }));
  const seen = others.map(look);
  const parts = partsOf(seen);
  const names = others.filter((_, k) => parts[k]?.role !== 'measure' || seen[k]?.kind === 'text');
  // Answers in words without anyone's name tell nobody from the others.
  if (names.length === others.length && !parts.some((p) => p.role === 'subject')) return [];
  // A row without a name is told from no other.
  const told = Array.from({ length: once }, (_, row) => textOf(names, row));
  return names.length > 0 && new Set(told).size === once ? twice : [];
}

/** A block without the rows that stand twice, by what its columns or its first one name; undefined where there are none. */
export function withoutRowsTwice(block: readonly (readonly string[])[]): (readonly string[])[] | undefined {
  const height = block.length;
  if (height > mostLooked) return undefined;
  const width = Math.max(0, ...block.map((row) => row.length));
  const columns = Array.from({ length: width }, (_, k) => ({
    name: cellAt(block[0], k),
    unit: '',
    cells: block.slice(1).map((row) => cellAt(row, k)),
  }));
  const twice = same(columns, height - 1);
  if (twice.length === 0) return undefined;
  const known = rowsTwice(columns);
  const left = new Set((known.length > 0 ? known : twice).map((row) => row + 1));
  const rows = block.filter((_, row) => !left.has(row));
  const names = rows.map((row) => textAt(row, 0)).filter((name) => name !== '');
  const areNames = names.some((name) => !/^[\d.,]*$/.test(name)) && new Set(names).size === names.length;
  return known.length > 0 || (areNames && left.size <= Math.max(1, rows.length / oneIn)) ? rows : undefined;
}
