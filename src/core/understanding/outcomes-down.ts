/** Tables of counts with their outcomes down the left and their groups above, as papers print them. */
import { sum } from 'd3-array';
import { countWithPercent } from './counts-with-percent';
import { areOpposites } from './opposites';
import { totalName } from './vocabulary';
import { cellAt, textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** How far percentages beside counts may lie from what the counts come to, beyond the rounding of their last digit. */
const allowed = 0.01;

/** Whether most percentages that cells carry are of their columns' sums, and not of their rows'; undefined where neither is so. */
function percentDown(cells: readonly (readonly string[])[]): boolean | undefined {
  const parts = cells.map((row) => row.map(countWithPercent));
  const all = parts.flat();
  if (all.includes(undefined)) return undefined;
  const counts = parts.map((row) => row.map((p) => p?.count ?? NaN));
  const fitting = (total: (i: number, j: number) => number): number =>
    parts
      .flatMap((row, i) => row.map((p, j) => p && Math.abs((100 * p.count) / total(i, j) - p.percent) - p.within))
      .filter((off) => off !== undefined && off <= allowed).length;
  const [down, across] = [fitting((_, j) => sum(counts, (row) => row[j])), fitting((i) => sum(counts[i] ?? []))];
  return 2 * Math.max(down, across) > all.length && down !== across ? down > across : undefined;
}

/** Whether a block, names above and at the left, holds counts with the outcomes at the left. */
export function outcomesDown(head: readonly string[], body: Rows): boolean {
  const over = head.slice(1).map((name) => name.trim());
  const kept = over.flatMap((name, k) => (name === '' || totalName.test(name) ? [] : [k + 1]));
  const rows = body.filter(([name = '']) => !totalName.test(name.trim()));
  const cells = rows.map((row) => kept.map((k) => textAt(row, k)));
  if (kept.length < 2 || rows.length < 2) return false;
  const percent = percentDown(cells);
  if (percent !== undefined) return percent;
  // What stands over the rows may say that they are groups.
  if (/^(?:treatment|group|condition|arm)s?$/iu.test(textAt(head, 0))) return false;
  const counts = cells.flat().every((cell) => /^\d[\d\s]*$/.test(cell) || countWithPercent(cell) !== undefined);
  const left = rows.map(([name = '']) => name.trim());
  return counts && areOpposites(left) && !areOpposites(kept.map((k) => cellAt(over, k - 1)));
}
