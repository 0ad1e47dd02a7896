import { differencesAsTyped } from '../numeric/decimals';
import { demand } from '../numeric/domain-error';
import { summarize } from './sample-summary';
import { type TTest, tTest } from './t-test';

export interface PairedT extends TTest {
  /** Each first reading less its partner. */
  differences: number[];
  sdDifference: number;
  /** Mean difference in standard deviations of the differences (Cohen, 1988), whatever it is tested against. */
  cohenDz: number;
}

/** First less second, pair by pair; exact where both are decimals. @throws DomainError when a reading has no partner */
export function pairedDifferences(a: readonly number[], b: readonly number[]): number[] {
  demand(a.length === b.length, 'Every reading needs its partner: the two lists differ in length.');
  return differencesAsTyped(a, b);
}

/**
 * Paired t-test: the mean of the differences within pairs against δ₀, t = (d̄ − δ₀)/(s_d/√n) on n − 1 df.
 * Assumes independent pairs, differences near enough normal. Source: Student (1908).
 * @throws DomainError with fewer than two pairs, or when all differences are the same
 */
export function pairedT(a: readonly number[], b: readonly number[], level: number, nullDifference = 0): PairedT {
  const differences = pairedDifferences(a, b);
  const { n, mean, variance } = summarize(differences);
  const sd = Math.sqrt(variance);
  demand(sd > 0, 'All differences are the same, so there is no spread to judge them by.');
  return {
    ...tTest(mean, sd / Math.sqrt(n), n - 1, level, nullDifference),
    differences,
    sdDifference: sd,
    cohenDz: mean / sd,
  };
}
