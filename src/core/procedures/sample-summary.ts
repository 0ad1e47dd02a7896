import { demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';

/** What a t procedure needs of one group: from readings, or as a paper reports it. */
export interface SampleSummary {
  n: number;
  mean: number;
  /** Digits of the mean past those its number holds, where they are known. */
  meanRest?: number;
  /** Sample variance, divisor n − 1. */
  variance: number;
}

/**
 * Summarizes readings.
 * @param least how many there must be: one alone has no spread of its own, and enters where spread is shared
 * @throws DomainError with fewer
 */
export function summarize(values: readonly number[], least: 1 | 2 = 2): SampleSummary {
  demand(values.length >= least, 'At least two readings are needed in each group: one alone shows no spread.');
  const { n, mean, meanRest, sumOfSquares } = moments(values);
  return { n, mean, meanRest, variance: n > 1 ? sumOfSquares / (n - 1) : 0 };
}

/** The first mean less the second, to full precision even when both are large and close. */
export const meanDifference = (a: SampleSummary, b: SampleSummary): number =>
  a.mean - b.mean + ((a.meanRest ?? 0) - (b.meanRest ?? 0));

/** Each mean less the first, to full precision. */
export const distances = (groups: readonly SampleSummary[]): number[] =>
  groups.map((g) => (groups[0] ? meanDifference(g, groups[0]) : 0));

/** From a reported mean, SD and n. @throws DomainError unless n is a whole number above 1 and the SD is not negative. */
export function fromSd(mean: number, sd: number, n: number): SampleSummary {
  demand(Number.isInteger(n) && n > 1, 'n must be a whole number of at least 2.');
  demand(sd >= 0, 'A standard deviation cannot be negative.');
  return { n, mean, variance: sd * sd };
}
