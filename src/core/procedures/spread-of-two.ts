import { fisherF } from '../distributions/f';
import { demand } from '../numeric/domain-error';
import type { TailProbabilities } from './direction';
import { type Interval, checkedLevel } from './interval';
import type { SampleSummary } from './sample-summary';

export interface SpreadOfTwo {
  /** Ratio of the variances, first over second. */
  f: number;
  df1: number;
  df2: number;
  p: TailProbabilities;
  /** Interval of the ratio of variances. */
  ratioInterval: Interval;
}

/**
 * F test of two variances, F = s₁²/s₂²; two-sided p is twice the smaller tail. Assumes normal readings, strictly.
 * Source: Fisher (1924), Snedecor (1934).
 * @throws DomainError when a group has no spread
 */
export function spreadOfTwo(a: SampleSummary, b: SampleSummary, level: number): SpreadOfTwo {
  demand(a.variance > 0 && b.variance > 0, 'A ratio of spreads needs some spread in both groups.');
  const df1 = a.n - 1;
  const df2 = b.n - 1;
  const reference = fisherF(df1, df2);
  const f = a.variance / b.variance;
  const tail = (1 - checkedLevel(level)) / 2;
  const greater = reference.upper(f);
  const less = reference.lower(f);
  return {
    f,
    df1,
    df2,
    p: { either: Math.min(1, 2 * Math.min(greater, less)), greater, less },
    ratioInterval: { low: f / reference.upperQuantile(tail), high: f / reference.quantile(tail) },
  };
}
