import { alike } from '../numeric/decimals';

/** Ranks with ties sharing the mean of their places. */
export interface Ranked {
  ranks: number[];
  /** Σ (t³ − t) over groups of t tied values: what the corrections for ties take away. */
  tieTerm: number;
  tied: boolean;
}

/** Ranks values upwards, from 1. Values that differ by rounding alone are tied. */
export function ranked(values: readonly number[]): Ranked {
  const order = values.map((_, i) => i).sort((i, j) => (values[i] ?? 0) - (values[j] ?? 0));
  const ranks = new Array<number>(values.length);
  let tieTerm = 0;
  for (let start = 0; start < order.length;) {
    let end = start + 1;
    while (end < order.length && alike(values[order[end] ?? 0] ?? 0, values[order[start] ?? 0] ?? 0)) end += 1;
    for (let k = start; k < end; k++) ranks[order[k] ?? 0] = (start + 1 + end) / 2;
    const t = end - start;
    tieTerm += t ** 3 - t;
    start = end;
  }
  return { ranks, tieTerm, tied: tieTerm > 0 };
}
