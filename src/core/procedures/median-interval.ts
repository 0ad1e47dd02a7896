import { binomial } from '../distributions/binomial';
import { demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import { type Interval, checkedLevel } from './interval';
import { nth } from '../numeric/nth';

/** A median with its interval, in the units of the values. */
export interface MedianInterval {
  median: number;
  /** Unbounded where so few values exclude nothing at the level. */
  interval: Interval;
  /** How often such an interval covers the median: at least the level, for order statistics come in steps. */
  coverage: number;
}

/**
 * The median with the interval between two order statistics, x₍ₖ₎ to x₍ₙ₊₁₋ₖ₎: k the largest with
 * 2 P(K < k) ≤ 1 − level, K binomial of n and ½. Assumes independent values and nothing of their distribution.
 * Source: Thompson (1936).
 * @throws DomainError without values
 */
export function medianInterval(values: readonly number[], level: number): MedianInterval {
  const n = values.length;
  demand(n > 0, 'There are no readings.');
  const sorted = sortedUp(values);
  const { lower } = binomial(n, 0.5);
  const tail = (1 - checkedLevel(level)) / 2;
  // P(K < k) grows with k: the largest k that still leaves enough between lies by halving.
  let [k, beyond] = [0, Math.floor(n / 2) + 1];
  while (beyond - k > 1) {
    const middle = (k + beyond) >> 1;
    if (lower(middle - 1) <= tail) k = middle;
    else beyond = middle;
  }
  return {
    median: quantile(sorted, 0.5),
    interval: k === 0 ? { low: -Infinity, high: Infinity } : { low: nth(sorted, k - 1), high: nth(sorted, n - k) },
    coverage: k === 0 ? 1 : 1 - 2 * lower(k - 1),
  };
}
