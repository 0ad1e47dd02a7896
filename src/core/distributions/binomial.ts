import { demand } from '../numeric/domain-error';
import { betaLower, logBeta } from '../numeric/special';

/** Number of successes in n independent trials of probability p each. */
export interface Binomial {
  mass: (k: number) => number;
  /** P(K ≤ k). */
  lower: (k: number) => number;
  /** P(K ≥ k). */
  upper: (k: number) => number;
}

/** ln of the number of ways to choose k of n. */
export const logChoose = (n: number, k: number): number => -Math.log(n + 1) - logBeta(n - k + 1, k + 1);

/**
 * The binomial distribution; tails by the incomplete beta function, P(K ≥ k) = I_p(k, n − k + 1).
 * Source: Bernoulli (1713); the identity: Pearson (1924).
 * @throws DomainError unless n is a whole number ≥ 0 and 0 ≤ p ≤ 1
 */
export function binomial(n: number, p: number): Binomial {
  demand(Number.isInteger(n) && n >= 0, 'The number of trials must be a whole number, 0 or more.');
  demand(p >= 0 && p <= 1, 'A probability must lie between 0 and 1.');
  const upper = (k: number): number => {
    if (k <= 0) return 1;
    return k > n ? 0 : betaLower(p, 1 - p, k, n - k + 1);
  };
  return {
    mass: (k) => {
      if (k < 0 || k > n || !Number.isInteger(k)) return 0;
      if (p === 0 || p === 1) return k === n * p ? 1 : 0;
      return Math.exp(logChoose(n, k) + k * Math.log(p) + (n - k) * Math.log1p(-p));
    },
    lower: (k) => {
      if (k < 0) return 0;
      return k >= n ? 1 : betaLower(1 - p, p, n - k, k + 1);
    },
    upper,
  };
}
