/** Intervals for effect sizes of analysis of variance, from the noncentralities that fit the F seen. */
import { noncentralFLower } from '../distributions/noncentral-f';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { type Interval, checkedLevel } from './interval';

/** The noncentralities for which an observed F would lie at each end of its distribution. Source: Steiger (2004). */
export function noncentralFInterval(f: number, df1: number, df2: number, level: number): Interval {
  demand(f >= 0 && Number.isFinite(f), 'An F statistic is a number, 0 or more.');
  demand(f * df1 < 1e290, 'The F statistic is so large that no interval can be told from its end.');
  const tail = (1 - checkedLevel(level)) / 2;
  const lower = (noncentrality: number): number => noncentralFLower(f, df1, df2, noncentrality);
  const solve = (share: number): number => {
    if (lower(0) <= share) return 0;
    let top = 10 + 2 * f * df1;
    while (lower(top) > share) top *= 2;
    return findZero((l) => lower(l) - share, 0, top, 1e-12);
  };
  return { low: solve(1 - tail), high: solve(tail) };
}

/** Interval for (partial) η²: λ/(λ + n), n the readings in the analysis. Source: Smithson (2003), Steiger (2004). */
export function etaSquaredInterval(f: number, df1: number, df2: number, level: number): Interval {
  // So far out the share differs from 1 by less than a number can say.
  if (f * df1 >= 1e290) return { low: 1, high: 1 };
  const { low, high } = noncentralFInterval(f, df1, df2, level);
  const n = df1 + df2 + 1;
  return { low: low / (low + n), high: high / (high + n) };
}
