/** Means and spreads beside the very readings they are of, "mean" and "SD" behind three replicates: left out. */
import { mean } from 'd3-array';
import { textAt } from '../readings/cell-at';
import { some } from './doubts/doubt';
import { slack, valueOf } from './sums';
import { cvName, meanName, sizeName, spreadKind } from './vocabulary';

type Rows = readonly (readonly string[])[];

/** Rows that are looked at: what holds in so many is no chance. */
const looked = 200;
/** Readings of a row, and rows, at least. */
const fewest = 2;

const isOther = (name: string): boolean => spreadKind(name) !== null || sizeName.test(name) || cvName.test(name);

/** Whether the numbers of a column are the means of those before it, but for rows with cells that hold none; with the row of a slip. */
function follows(rows: Rows, from: number, at: number): { odd: number[] } | undefined {
  let borneOut = 0;
  const odd: number[] = [];
  for (const [r, row] of rows.entries()) {
    const parts = row.slice(from, at).map((cell) => valueOf(cell));
    const own = valueOf(row[at]);
    const made = mean(parts);
    if (own === undefined || made === undefined || parts.includes(undefined)) continue;
    if (Math.abs(made - own) <= slack(textAt(row, at))) borneOut += 1;
    else odd.push(r);
  }
  return borneOut >= fewest && odd.length <= Math.min(1, borneOut / 2) ? { odd } : undefined;
}

/** The columns of a mean and of what stands right behind it, where the mean follows from the readings before it. */
function figuresAt(at: number, head: readonly string[], rows: Rows): { columns: number[]; odd: number[] } | undefined {
  let to = at + 1;
  while (to < head.length && isOther(textAt(head, to))) to += 1;
  if (to === at + 1) return undefined;
  const holdsNumbers = (k: number): boolean =>
    rows.filter((row) => valueOf(row[k]) !== undefined).length > rows.length / 2;
  let from = at;
  while (from > 0 && holdsNumbers(from - 1) && !isOther(textAt(head, from - 1))) from -= 1;
  // A running number stands before the readings.
  const found = [from, from + 1].map((k) => (at - k >= fewest ? follows(rows, k, at) : undefined)).find(Boolean);
  return found && { columns: Array.from({ length: to - at }, (_, i) => at + i), odd: found.odd };
}

/** A block without such columns, and which they were; undefined where it has none. */
export function withoutFigures(block: Rows): { block: string[][]; note: string } | undefined {
  const top = block.slice(0, 5).findIndex((row) => row.some((cell) => meanName.test(cell.trim())));
  const head = block[top] ?? [];
  const below = block.slice(top + 1, top + 1 + looked).filter((row) => row.some((cell) => cell.trim() !== ''));
  if (top < 0 || below.length < fewest) return undefined;
  const found = head.flatMap((cell, k) => (meanName.test(cell.trim()) ? (figuresAt(k, head, below) ?? []) : []));
  const left = new Set(found.flatMap(({ columns }) => columns));
  const odd = [...new Set(found.flatMap((f) => f.odd))];
  if (left.size === 0) return undefined;
  // By its name, which it keeps however the table is turned.
  const nameOf = (r: number): string => (textAt(below[r], 0) === '' ? `row ${r + 1}` : `“${textAt(below[r], 0)}”`);
  return {
    block: block.map((row) => row.filter((_, k) => !left.has(k))),
    note: `${some([...new Set([...left].map((k) => `“${textAt(head, k)}”`))])} follow from the readings beside them, and were left out.${odd.length === 0 ? '' : ` The mean of ${some(odd.map(nameOf))} is another: check the readings there.`}`,
  };
}
