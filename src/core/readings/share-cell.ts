/** Cells that say how many of how many. */
import { there } from '../numeric/there';
import { nth } from '../numeric/nth';

// What was counted may be said behind, "12 of 20 spores", and the percentage it comes to: "12/40 (30 %)".
const of =
  /^\s*(\d{1,3}(?:\s\d{3})+|[\d.,]+)\s*(%)?\s*(?:(?:of|out of|\/)\s*(\d[\d\s]*?)\s*(?:[([]\s*([\d.,]+)\s*%?\s*[)\]]\s*)?|(?:of|out of)\s+(?:the |all )?(\d[\d\s]*?)\s+\p{L}[\p{L} -]{0,30})$/iu;

/** "18 of 45", "18/45" or "40 % of 45" as a count and what it is out of. */
export function shareCell(cell: string): { count: number; n: number; rounded: boolean } | undefined {
  const found = of.exec(cell);
  if (!found) return undefined;
  const figure = Number(nth(found, 1).replace(/\s/g, '').replace(',', '.'));
  const n = Number(there(found[3] ?? found[5], 'what it is out of').replace(/\s/g, ''));
  if (!Number.isFinite(figure) || !Number.isInteger(n)) return undefined;
  const percent = found[4] === undefined ? undefined : Number(found[4].replace(',', '.'));
  // What does not come to it is no percentage of the two.
  if (percent !== undefined && !(Math.abs((100 * figure) / n - percent) < 1)) return undefined;
  if (found[2] === undefined) return { count: figure, n, rounded: false };
  const exact = (figure / 100) * n;
  return { count: Math.round(exact), n, rounded: Math.abs(exact - Math.round(exact)) > 1e-9 };
}

/** Whether a column's cells are shares written out: "18 of 45". */
export const holdsShares = (cells: readonly string[]): boolean => {
  const filled = cells.filter((c) => c.trim() !== '');
  return filled.length > 0 && filled.every((c) => shareCell(c) !== undefined);
};

/** The number of a percentage, "12.5 %". */
export function percentage(text: string): number | undefined {
  const found = /^\s*([\d.,]+)\s*%\s*$/.exec(text);
  const value = found ? Number(nth(found, 1).replace(',', '.')) : NaN;
  return Number.isFinite(value) ? value : undefined;
}
