import { nth } from '../numeric/nth';
import { alike } from '../numeric/decimals';
import { sortedUp } from '../numeric/quantile';

/** Ranks with ties sharing the mean of their places. */
export interface Ranked {
  ranks: number[];
  /** Σ (t³ − t) over groups of t tied values: what the corrections for ties take away. */
  tieTerm: number;
  tied: boolean;
}

/** Ranks values upwards, from 1. Values that differ by rounding alone are tied. */
export function ranked(values: readonly number[]): Ranked {
  const sorted = sortedUp(values);
  const n = sorted.length;
  // Where each run of tied values begins in the sorted list, and the rank they share.
  const starts: number[] = [];
  const shared: number[] = [];
  let tieTerm = 0;
  for (let start = 0; start < n;) {
    const first = nth(sorted, start);
    let end = start + 1;
    while (end < n && alike(nth(sorted, end), first)) end += 1;
    starts.push(first);
    shared.push((start + 1 + end) / 2);
    const t = end - start;
    tieTerm += t ** 3 - t;
    start = end;
  }
  const runOf = (x: number): number => {
    let [low, high] = [0, starts.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (nth(starts, middle) <= x) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  return { ranks: values.map((x) => nth(shared, runOf(x))), tieTerm, tied: tieTerm > 0 };
}
