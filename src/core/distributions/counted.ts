/** Exact distributions of sums over all arrangements, by counting: one table of sums, never a list of arrangements. */
import { nth } from '../numeric/nth';

/** How many arrangements give each sum. */
export interface CountedSums {
  /** The sum of the first entry. */
  from: number;
  /** Arrangements with sum from + i; as real numbers, exact to 16 digits however many there are. */
  counts: Float64Array;
  /** All arrangements. */
  total: number;
}

/** Share of arrangements whose sum satisfies a condition. */
export function shareOf({ from, counts, total }: CountedSums, holds: (sum: number) => boolean): number {
  let some = 0;
  for (let i = 0; i < counts.length; i++) if (holds(from + i)) some += nth(counts, i);
  return some / total;
}

/** Sums of the first so many values, none to all. */
const sumsOfFirst = (values: readonly number[]): number[] => {
  const sums = [0];
  for (const v of values) sums.push(nth(sums, sums.length - 1) + v);
  return sums;
};

/** Adds the ways to come to each sum from `least` to `most` by one step from a sum that ways are known to. */
function addWays(into: Float64Array, from: Float64Array, step: number, least: number, most: number): void {
  for (let s = least; s <= most; s++) into[s] = (into[s] ?? 0) + (from[s - step] ?? 0);
}

/**
 * Sums of every choice of `size` of the values. Source: Streitberg & Röhmel (1986), the shift algorithm; each number of
 * values chosen so far holds only the sums that it can have, and only as long as the choice can still be filled.
 * @param values whole numbers
 */
export function subsetSums(values: readonly number[], size: number): CountedSums {
  const least = values.reduce((a, b) => Math.min(a, b), Infinity);
  // Counted from the least value, so that every term is 0 or more; the largest last, so that each step is the largest yet.
  const steps = values.map((v) => v - least).sort((a, b) => a - b);
  const first = sumsOfFirst(steps);
  const whole = nth(first, steps.length);
  const chosen = Array.from({ length: size + 1 }, (_, k) => new Float64Array(whole - nth(first, steps.length - k) + 1));
  nth(chosen, 0)[0] = 1;
  steps.forEach((step, before) => {
    const used = before + 1;
    const top = Math.min(size, used);
    for (let k = top; k >= Math.max(1, size - steps.length + used); k--)
      addWays(
        nth(chosen, k),
        nth(chosen, k - 1),
        step,
        nth(first, k - 1) + step,
        nth(first, used) - nth(first, used - k),
      );
  });
  const counts = nth(chosen, size);
  return { from: size * least, counts, total: counts.reduce((a, b) => a + b, 0) };
}

/** Sums of the values with every choice of signs. @param values whole numbers, zero and above */
export function signedSums(values: readonly number[]): CountedSums {
  const reach = values.reduce((a, b) => a + b, 0);
  let counts = new Float64Array(2 * reach + 1);
  counts[reach] = 1;
  let within = 0;
  for (const v of values) {
    const next = new Float64Array(counts.length);
    const [from, to] = [reach - within, reach + within];
    addWays(next, counts, v, from + v, to + v);
    addWays(next, counts, -v, from - v, to - v);
    within += v;
    counts = next;
  }
  return { from: -reach, counts, total: 2 ** values.length };
}
