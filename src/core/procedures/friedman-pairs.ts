import { nth } from '../numeric/nth';
import { studentizedRangeUpper } from '../distributions/studentized-range';
import { allPairs } from './pairwise';
import { friedman } from './friedman';

/** A pair of conditions after Friedman's test. */
export interface FriedmanPair {
  a: number;
  b: number;
  /** Difference of mean ranks. */
  difference: number;
  q: number;
  /** p adjusted for all pairs. */
  p: number;
}

/**
 * Comparison of all pairs of conditions by their mean ranks: how often the largest difference of all would be as large,
 * counted where it can be, else referred to the studentized range with endless df, its standard error corrected for
 * ties. Source: Nemenyi (1963).
 */
export function friedmanPairs(rows: readonly (readonly number[])[]): FriedmanPair[] {
  const { meanRanks, se, rangeP } = friedman(rows);
  const k = meanRanks.length;
  return allPairs(k).map(([a, b]) => {
    const difference = nth(meanRanks, a) - nth(meanRanks, b);
    const q = Math.abs(difference) / se;
    const p = rangeP?.(difference) ?? Math.max(studentizedRangeUpper(q, k, Infinity), Number.MIN_VALUE);
    return { a, b, difference, q, p };
  });
}
