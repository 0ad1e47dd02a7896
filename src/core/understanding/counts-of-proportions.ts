/** Proportions beside what they are of, "proportion alive" and "n": the counts they come from. */
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { slack, valueOf } from './sums';
import { lowerName, outOfName, upperName } from './vocabulary';

const proportion =
  /^(?:proportions?|prop\.?|fractions?|shares?|frequenc(?:y|ies))(?:(?:\s+(?:of|that|who|which))?\s+(?=\p{L})|$)/iu;
/** How far a count may lie from a whole number, beyond the rounding of its proportion. */
const allowed = 0.01;

/** Columns with the counts in place of proportions, where each row is a group of its own; as they are elsewhere. */
export function countsOfProportions(columns: readonly Incoming[]): Worked {
  const as = { columns: [...columns], notes: [] };
  const share = columns.find((c) => proportion.test(c.name));
  const total = columns.find((c) => outOfName.test(c.name));
  // A proportion with an SD is the mean of several.
  const isLimit = ({ name }: Incoming): boolean => lowerName.test(name) || upperName.test(name);
  const limits = columns.filter((c) => c !== share && isLimit(c));
  const names = columns.filter((c) => c !== share && c !== total && !limits.includes(c));
  if (!share || !total || names.length !== 1) return as;
  const counts = share.cells.map((cell, row) => {
    const [part, of] = [valueOf(cell), valueOf(total.cells[row])];
    if (part === undefined || of === undefined || part < 0 || part > 1 || !Number.isInteger(of)) return undefined;
    const count = Math.round(part * of);
    return Math.abs(part * of - count) <= slack(cell) * of + allowed ? count : undefined;
  });
  if (!counts.every((count) => count !== undefined)) return as;
  const counted = (c: Incoming): Incoming => ({
    name: c.name.replace(proportion, '') || 'found',
    unit: '',
    cells: counts.map(String),
  });
  return {
    columns: columns.flatMap((c) => (limits.includes(c) ? [] : [c === share ? counted(c) : c])),
    notes: [
      `The counts were worked out from the proportions and “${total.name}”${limits.length > 0 ? '; the limits of their intervals follow from them, and were left out' : ''}.`,
    ],
  };
}
