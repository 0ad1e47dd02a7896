import { dust } from '../numeric/decimals';
import { quantile, sortedUp } from '../numeric/quantile';

/** A box plot's figures: quartiles and median, the last readings within 1.5 interquartile ranges, and those beyond. */
export interface Box {
  q1: number;
  median: number;
  q3: number;
  low: number;
  high: number;
  beyond: number[];
}

/** @param values at least one. Source: Tukey (1977) */
export function boxOf(values: readonly number[]): Box {
  const sorted = sortedUp(values);
  const [q1, median, q3] = [0.25, 0.5, 0.75].map((p) => quantile(sorted, p)) as [number, number, number];
  // A reading on a fence lies within it, whatever rounding made of the fence.
  const reach = 1.5 * (q3 - q1) + 4 * dust * (Math.abs(q1) + Math.abs(q3));
  const within = [...sorted].filter((x) => x >= q1 - reach && x <= q3 + reach);
  const [low, high] = [within[0] ?? q1, within.at(-1) ?? q3];
  return { q1, median, q3, low, high, beyond: values.filter((x) => x < low || x > high) };
}
