/** Columns of which each row marks one, 1 under "red" and 0 under "white": what they name is one category. */
import { textAt } from '../readings/cell-at';
import type { Worked } from './limits-apart';
import { areOpposites } from './opposites';
import type { Incoming } from './seen';
import { areTurns } from './vocabulary';

const yes = /^(?:1|yes|y|true|x|✓|✔)$/iu;
const no = /^(?:0|no|n|false|)$/iu;
/** Rows there are at least: in few, counts of none and one may fall out so. */
const fewest = 8;

const isMarking = ({ name, unit, cells }: Incoming): boolean =>
  name !== '' &&
  unit === '' &&
  cells.every((cell) => yes.test(cell.trim()) || no.test(cell.trim())) &&
  cells.some((cell) => yes.test(cell.trim()));

/** The longest run of neighbours of which each row marks one, by its first place and its length; undefined without any. */
function runOf(columns: readonly Incoming[]): { first: number; count: number } | undefined {
  const marking = columns.map((c) => isMarking(c));
  for (let count = columns.length; count > 1; count--)
    for (let first = 0; first + count <= columns.length; first++) {
      const run = columns.slice(first, first + count);
      // Who was asked twice, and answered otherwise, marks nothing.
      if (!run.every((_, i) => marking[first + i]) || areTurns(run.map((c) => c.name))) continue;
      const marked = (row: number): number => run.filter((c) => yes.test(textAt(c.cells, row))).length;
      if (run[0]?.cells.every((_, row) => marked(row) === 1)) return { first, count };
    }
  return undefined;
}

/** Columns with one of names in the place of those of which each row marks one. */
export function oneMarked(columns: readonly Incoming[]): Worked {
  const as = { columns: [...columns], notes: [] };
  const rows = columns[0]?.cells ?? [];
  const found = rows.length < fewest ? undefined : runOf(columns);
  // Something must be left that they are compared by.
  if (!found || found.count === columns.length) return as;
  const run = columns.slice(found.first, found.first + found.count);
  const names = run.map((c) => c.name.trim());
  const cells = rows.map((_, row) => run.find((c) => yes.test(textAt(c.cells, row)))?.name.trim() ?? '');
  const made: Incoming = { name: areOpposites(names) ? 'outcome' : 'group', unit: '', cells };
  return {
    columns: [...columns.slice(0, found.first), made, ...columns.slice(found.first + found.count)],
    notes: [
      `Each row marks one of ${names.map((name) => `“${name}”`).join(', ')}: they became one column, “${made.name}”.`,
    ],
  };
}
