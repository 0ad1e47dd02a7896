/** Readings of subjects under every condition, as sums over them need: one flat list, subject after subject. */
import { widthOf } from '../numeric/width-of';
import { moments } from '../numeric/sum';

/* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays */

/** What is left of each reading once its subject's and its condition's mean are taken off. */
export interface WithinRest {
  /** Sum of squared distances from the mean of all. */
  total: number;
  /** Mean of each subject and of each condition, as distances from the mean of all. */
  subjects: Float64Array;
  conditions: Float64Array;
  /** For each group of subjects, the mean change of its subjects from their own means to each condition. */
  changes: Float64Array[];
  rest: Float64Array;
  /** Sum of squares of what is left. */
  squares: number;
  /** Σ over subjects of the products of what is left under each two conditions. */
  products: number[][];
}

/** @param rows one a subject, all of one length; @param size how many of them make a group with means of its own */
export function withinRest(rows: readonly (readonly number[])[], sizes: readonly number[] = [rows.length]): WithinRest {
  const n = rows.length;
  const k = widthOf(rows);
  const { deviations: y, sumOfSquares } = moments(rows.flat());
  const subjects = new Float64Array(n);
  const conditions = new Float64Array(k);
  for (let i = 0; i < n; i++) {
    let own = 0;
    for (let j = 0; j < k; j++) {
      const d = y[i * k + j]!;
      own += d;
      conditions[j]! += d / n;
    }
    subjects[i] = own / k;
  }
  const rest = new Float64Array(n * k);
  const sums = new Float64Array(k * k);
  const changes: Float64Array[] = [];
  let squares = 0;
  let from = 0;
  for (const size of sizes) {
    // Conditions are taken off within each group of subjects: what differs between groups is no noise.
    const means = new Float64Array(k);
    for (let i = from; i < from + size; i++)
      for (let j = 0; j < k; j++) means[j]! += (y[i * k + j]! - subjects[i]!) / size;
    for (let i = from; i < from + size; i++)
      for (let j = 0; j < k; j++) {
        const left = y[i * k + j]! - subjects[i]! - means[j]!;
        rest[i * k + j] = left;
        squares += left * left;
        for (let h = 0; h <= j; h++) sums[j * k + h]! += left * rest[i * k + h]!;
      }
    changes.push(means);
    from += size;
  }
  const products = Array.from({ length: k }, (_, j) =>
    Array.from({ length: k }, (__, h) => sums[Math.max(j, h) * k + Math.min(j, h)]!),
  );
  return { total: sumOfSquares, subjects, conditions, changes, rest, squares, products };
}
/* eslint-enable @typescript-eslint/no-non-null-assertion */
