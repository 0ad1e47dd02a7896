import { demand } from '../numeric/domain-error';
import type { SampleSummary } from './sample-summary';
import { type TTest, tTest } from './t-test';

/** The test, and Cohen's d: the distance from the fixed value in standard deviations. */
export interface OneSampleT extends TTest {
  cohenD: number;
}

/**
 * One-sample t-test: a mean against a fixed value, t = (ȳ − μ₀) / (s/√n) on n − 1 degrees of freedom.
 * Assumes independent readings, a mean near enough normal. Source: Student (1908); d: Cohen (1988).
 * @param nullMean μ₀, in the readings' units
 * @throws DomainError without spread
 */
export function oneSampleT(sample: SampleSummary, nullMean: number, level: number): OneSampleT {
  const sd = Math.sqrt(sample.variance);
  demand(sd > 0, 'Every reading is the same, so there is no spread to judge a difference by.');
  const test = tTest(sample.mean, sd / Math.sqrt(sample.n), sample.n - 1, level, nullMean);
  return { ...test, cohenD: (sample.mean - nullMean) / sd };
}
