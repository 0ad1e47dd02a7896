/** Counts within subjects that belong to groups, "11 of 20" of each tank under its lamp: each subject's share is one reading. */
import { cellAt } from '../readings/cell-at';
import { holdsShares, shareCell } from '../readings/share-cell';
import type { Worked } from './limits-apart';
import { areFew, areNamedOnce, isLost } from './lost-names';
import type { Incoming } from './seen';
import { valueOf } from './sums';
import { outOfName, subjectName } from './vocabulary';
import { tally } from '../numeric/tally';

/** Subjects a group has at least: with one each the counts of groups are compared. */
const fewest = 2;

/** Whether a column names groups, each over several rows. */
const namesGroups = ({ cells }: Incoming): boolean => {
  if (holdsShares(cells)) return false;
  const sizes = new Map<string, number>();
  for (const cell of cells) if (!isLost(cell)) tally(sizes, cell.trim());
  const lost = cells.filter(isLost).length;
  return (
    areFew(lost, cells.length) &&
    sizes.size > 1 &&
    [...sizes.values()].every((rows) => rows >= fewest) &&
    cells.every((c) => valueOf(c) === undefined)
  );
};
const namesSubjects = ({ name, cells }: Incoming): boolean => subjectName.test(name) && areNamedOnce(cells);

/** The counts of a column and what each is out of, but for a few lost ones: written in its cells, or in a column called so. */
function countsOf(
  column: Incoming,
  total: Incoming | undefined,
): ({ count: number; n: number } | undefined)[] | undefined {
  const parts = column.cells.map((cell, row) => {
    const n = valueOf(total?.cells[row]);
    const count = valueOf(cell);
    return shareCell(cell) ?? (n !== undefined && count !== undefined ? { count, n } : undefined);
  });
  const areWhole = parts.every((p, row) =>
    p ? Number.isInteger(p.count) && p.n > 0 && p.count >= 0 && p.count <= p.n : isLost(cellAt(column.cells, row)),
  );
  const lost = parts.filter((p) => !p).length;
  return areWhole && lost < parts.length && areFew(lost, parts.length) ? parts : undefined;
}

/** Columns with the share of each subject in percent, and what was counted beside it, where subjects of groups were counted in. */
export function sharesOfSubjects(columns: readonly Incoming[]): Worked {
  const as = { columns: [...columns], notes: [] };
  // Most tables tell by their heads and first cells that nothing was counted out of anything.
  const first = ({ cells }: Incoming): string => cells.find((cell) => cell.trim() !== '') ?? '';
  if (!columns.some((c) => outOfName.test(c.name) || shareCell(first(c)) !== undefined)) return as;
  const subject = columns.find(namesSubjects);
  if (!subject || !columns.some((c) => c !== subject && namesGroups(c))) return as;
  const total = columns.find(
    (c) => c !== subject && outOfName.test(c.name) && c.cells.every((cell) => valueOf(cell) !== undefined),
  );
  const rest = columns.filter((c) => c !== subject && c !== total && !namesGroups(c));
  const [counted, ...more] = rest.flatMap((column) => {
    const parts = countsOf(column, total);
    return parts ? [{ column, parts }] : [];
  });
  if (!counted || more.length > 0 || rest.length > 1) return as;
  const share = counted.parts.map((p) => (p ? String(Number(((100 * p.count) / p.n).toPrecision(6))) : ''));
  return {
    columns: columns.flatMap((c): Incoming[] => {
      if (c === total) return [];
      if (c !== counted.column) return [c];
      const name = c.name || 'counted';
      return [
        { name: `share ${name}`, unit: '%', cells: share },
        { name: `${name}, counted`, unit: '', cells: counted.parts.map((p) => (p ? `${p.count} of ${p.n}` : '')) },
      ];
    }),
    notes: [
      `The share of each ${subject.name.toLowerCase()} was worked out, and is compared: what was counted in one ${subject.name.toLowerCase()} is not independent.`,
    ],
  };
}
