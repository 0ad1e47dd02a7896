import { demand } from '../numeric/domain-error';
import { type SampleSummary, meanDifference } from './sample-summary';
import { type TTest, tTest } from './t-test';

/**
 * Welch's t-test: the difference of two means when the groups' spreads may differ.
 *
 * t = (ȳ₁ − ȳ₂ − δ₀) / √(s₁²/n₁ + s₂²/n₂), with Satterthwaite's degrees of freedom
 * (v₁ + v₂)² / (v₁²/(n₁ − 1) + v₂²/(n₂ − 1)), vᵢ = sᵢ²/nᵢ.
 *
 * Assumes independent readings, means near enough normal. Source: Welch (1947), Satterthwaite (1946).
 * @param nullDifference δ₀, in the readings' units
 * @throws DomainError when neither group has any spread
 * @example welchT(summarize([1, 2, 3]), summarize([2, 4, 6]), 0.95).df // 2.94…
 */
export function welchT(a: SampleSummary, b: SampleSummary, level: number, nullDifference = 0): TTest {
  demand(a.n > 1 && b.n > 1, 'Each group needs at least two readings to have a spread of its own.');
  const va = a.variance / a.n;
  const vb = b.variance / b.n;
  const share = va / (va + vb);
  // Written with the share so that variances of 1e-300 or 1e300 do not underflow when squared.
  const df = 1 / (share ** 2 / (a.n - 1) + (1 - share) ** 2 / (b.n - 1));
  return tTest(meanDifference(a, b), Math.sqrt(va + vb), df || 1, level, nullDifference);
}
