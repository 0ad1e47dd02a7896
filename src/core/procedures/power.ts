/** Power by exact noncentral distributions, and the sample size that reaches it. Source: Cohen (1988). */
import { fisherF } from '../distributions/f';
import { noncentralFUpper } from '../distributions/noncentral-f';
import { noncentralTLower, noncentralTUpper } from '../distributions/noncentral-t';
import { studentT } from '../distributions/t';
import { demand } from '../numeric/domain-error';
import type { Direction } from './direction';

function tPower(df: number, shift: number, alpha: number, direction: Direction): number {
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const reference = studentT(df);
  if (direction === 'greater') return noncentralTUpper(reference.upperQuantile(alpha), df, shift);
  if (direction === 'less') return noncentralTLower(-reference.upperQuantile(alpha), df, shift);
  const critical = reference.upperQuantile(alpha / 2);
  return noncentralTUpper(critical, df, shift) + noncentralTLower(-critical, df, shift);
}

/** Power of the pooled t-test. @param d difference in standard deviations */
export function twoGroupsTPower(
  d: number,
  n1: number,
  n2: number,
  alpha: number,
  direction: Direction = 'either',
): number {
  demand(n1 >= 2 && n2 >= 2, 'Each group needs at least two readings.');
  return tPower(n1 + n2 - 2, d / Math.sqrt(1 / n1 + 1 / n2), alpha, direction);
}

/** Power of the paired or one-sample t-test. @param d mean difference in standard deviations of the differences */
export function pairedTPower(d: number, pairs: number, alpha: number, direction: Direction = 'either'): number {
  demand(pairs >= 2, 'At least two pairs are needed.');
  return tPower(pairs - 1, d * Math.sqrt(pairs), alpha, direction);
}

/** Power of one-way ANOVA. @param f spread of the group means in standard deviations within groups */
export function oneWayAnovaPower(f: number, groups: number, perGroup: number, alpha: number): number {
  demand(groups >= 2 && perGroup >= 2, 'At least two groups of at least two readings are needed.');
  demand(alpha > 0 && alpha < 1, 'The level of significance must lie between 0 and 1.');
  const df1 = groups - 1;
  const df2 = groups * (perGroup - 1);
  return noncentralFUpper(fisherF(df1, df2).upperQuantile(alpha), df1, df2, f * f * groups * perGroup);
}

/**
 * The least n whose power reaches what is wanted, by doubling and halving.
 * @param power power at n, growing with n
 * @throws DomainError when none up to ten million does
 */
export function smallestSample(power: (n: number) => number, wanted: number, least = 2): number {
  demand(wanted > 0 && wanted < 1, 'The power wanted must lie between 0 and 1.');
  let high = least;
  while (power(high) < wanted) {
    high *= 2;
    demand(high <= 1e7, 'No sample up to ten million reaches this power: the effect is too small to be found.');
  }
  let low = Math.max(least - 1, Math.floor(high / 2));
  if (high === least) return least;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (power(middle) < wanted) low = middle;
    else high = middle;
  }
  return high;
}
