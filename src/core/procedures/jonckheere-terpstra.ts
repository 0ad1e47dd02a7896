import { nth } from '../numeric/nth';
import { subsetSums } from '../distributions/counted';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { type TailProbabilities, symmetricTails } from './direction';
import { tally } from '../numeric/tally';
import { addTo } from '../numeric/add-to';

export interface JonckheereTerpstra {
  /** Pairs of readings from different groups in which the later group's is the larger, ties counting half. */
  j: number;
  /** J less its mean, in standard deviations. */
  z: number;
  /** `exact`: every arrangement of the readings counted; else J is referred to the normal curve. */
  method: 'exact' | 'normal';
  p: TailProbabilities;
}

/** Up to so many readings in all the arrangements are counted; with more the normal curve is close. */
const mostCounted = 60;

/**
 * Jonckheere–Terpstra test: whether readings tend to rise, or to fall, over groups in a given order. Assumes independent
 * readings. Exact without ties, where J is a sum of independent Mann–Whitney counts, each of a group against all before
 * it; else by the normal curve, its variance corrected for ties. Source: Terpstra (1952), Jonckheere (1954); Hollander &
 * Wolfe (1999).
 */
export function jonckheereTerpstra(groups: readonly (readonly number[])[]): JonckheereTerpstra {
  demand(groups.length >= 2 && groups.every((g) => g.length > 0), 'At least two groups with readings are needed.');
  const sizes = groups.map((g) => g.length);
  const n = sum(sizes);
  const times = new Map<number, number>();
  for (const y of groups.flat()) tally(times, y);
  demand(times.size > 1, 'All readings are the same: none is larger than another.');
  const j = countLarger(groups);
  const mean = (n * n - sum(sizes.map((m) => m * m))) / 4;
  const ties = [...times.values()];
  const over = (of: readonly number[], term: (m: number) => number): number => sum(of.map(term));
  const large = (m: number): number => m * (m - 1) * (2 * m + 5);
  const three = (m: number): number => m * (m - 1) * (m - 2);
  const two = (m: number): number => m * (m - 1);
  const variance =
    (large(n) - over(sizes, large) - over(ties, large)) / 72 +
    (n > 2 ? (over(sizes, three) * over(ties, three)) / (36 * three(n)) : 0) +
    (over(sizes, two) * over(ties, two)) / (8 * two(n));
  const z = (j - mean) / Math.sqrt(variance);
  if (times.size === n && n <= mostCounted) return { j, z, method: 'exact', p: counted(sizes, j) };
  return { j, z, method: 'normal', p: symmetricTails(normal, z) };
}

/** Pairs in which the reading of the later group is larger, ties counting half: by places among all that came before. */
function countLarger(groups: readonly (readonly number[])[]): number {
  let before: number[] = [];
  let total = 0;
  for (const group of groups) {
    const sorted = new Float64Array(before).sort();
    const place = (y: number, orEqual: boolean): number => {
      let [low, high] = [0, sorted.length];
      while (low < high) {
        const middle = (low + high) >> 1;
        const at = nth(sorted, middle);
        if (at < y || (orEqual && at === y)) low = middle + 1;
        else high = middle;
      }
      return low;
    };
    for (const y of group) total += (place(y, false) + place(y, true)) / 2;
    before = before.concat(group);
  }
  return total;
}

/** The exact tails: the counts of each group against those before it, convolved. */
function counted(sizes: readonly number[], j: number): TailProbabilities {
  let shares = new Float64Array([1]);
  let before = nth(sizes, 0);
  for (const size of sizes.slice(1)) {
    const ranks = Array.from({ length: before + size }, (_, i) => i + 1);
    const { counts, total } = subsetSums(ranks, size);
    // The smallest sum of ranks is that of no pair.
    const fromNone = counts.slice((size * (size - 1)) / 2);
    const next = new Float64Array(shares.length + fromNone.length - 1);
    shares.forEach((share, a) => {
      fromNone.forEach((ways, b) => {
        addTo(next, a + b, (share * ways) / total);
      });
    });
    shares = next;
    before += size;
  }
  const tail = (from: number, to: number): number => Math.min(1, sum(shares.slice(from, to)));
  const greater = tail(j, shares.length);
  const less = tail(0, j + 1);
  return { greater, less, either: Math.min(1, 2 * Math.min(greater, less)) };
}
