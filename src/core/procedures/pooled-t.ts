import { demand } from '../numeric/domain-error';
import { type SampleSummary, meanDifference } from './sample-summary';
import { type TTest, tTest } from './t-test';

/** Pooled variance of two groups, each weighted by its degrees of freedom; squared units. */
export function pooledVariance(a: SampleSummary, b: SampleSummary): number {
  const weight = (a.n - 1) / (a.n + b.n - 2);
  return weight * a.variance + (1 - weight) * b.variance;
}

/**
 * Student's t-test with pooled variance: the difference of two means when the groups share one spread.
 *
 * t = (ȳ₁ − ȳ₂ − δ₀) / (s_p √(1/n₁ + 1/n₂)) on n₁ + n₂ − 2 degrees of freedom.
 *
 * Assumes independent readings, means near enough normal, equal variances. Source: Student (1908), Fisher (1925).
 * @throws DomainError when neither group has any spread
 */
export function pooledT(a: SampleSummary, b: SampleSummary, level: number, nullDifference = 0): TTest {
  demand(a.n + b.n > 2, 'Each group has one reading: there is no spread to judge a difference by.');
  const se = Math.sqrt(pooledVariance(a, b)) * Math.sqrt(1 / a.n + 1 / b.n);
  return tTest(meanDifference(a, b), se, a.n + b.n - 2, level, nullDifference);
}
