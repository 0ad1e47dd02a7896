/** Exact distributions of sums over all arrangements, by counting: one table of sums, never a list of arrangements. */
import { addTo } from '../numeric/add-to';
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

/**
 * Sums of every choice of `size` of the values. Source: Streitberg & Röhmel (1986), the shift algorithm.
 * @param values whole numbers
 */
export function subsetSums(values: readonly number[], size: number): CountedSums {
  const least = values.reduce((a, b) => Math.min(a, b), Infinity);
  // Counted from the least value, so that every term is 0 or more.
  const steps = values.map((v) => v - least);
  const most = [...steps]
    .sort((a, b) => b - a)
    .slice(0, size)
    .reduce((a, b) => a + b, 0);
  const width = most + 1;
  const counts = new Float64Array((size + 1) * width);
  counts[0] = 1;
  let used = 0;
  for (const step of steps) {
    used += 1;
    for (let k = Math.min(size, used); k >= 1; k--) {
      const into = k * width;
      const out = into - width;
      for (let s = width - 1; s >= step; s--) {
        const ways = nth(counts, out + s - step);
        if (ways !== 0) addTo(counts, into + s, ways);
      }
    }
  }
  const last = counts.slice(size * width);
  return { from: size * least, counts: last, total: last.reduce((a, b) => a + b, 0) };
}

/** Sums of the values with every choice of signs. @param values whole numbers, zero and above */
export function signedSums(values: readonly number[]): CountedSums {
  const reach = values.reduce((a, b) => a + b, 0);
  let counts = new Float64Array(2 * reach + 1);
  counts[reach] = 1;
  for (const v of values) {
    const next = new Float64Array(counts.length);
    for (let s = 0; s < counts.length; s++) {
      const ways = nth(counts, s);
      if (ways === 0) continue;
      addTo(next, s + v, ways);
      addTo(next, s - v, ways);
    }
    counts = next;
  }
  return { from: -reach, counts, total: 2 ** values.length };
}
