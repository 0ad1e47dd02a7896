/** The randomization test of two shares: labels are shuffled over what was found, all margins standing. */
import { hypergeometric } from '../distributions/hypergeometric';
import { sum } from '../numeric/sum';
import type { TailProbabilities } from './direction';
import { type Share, checkedShare } from './one-proportion';

/**
 * Difference of two shares under permuted labels. How many of those found fall to the first group is hypergeometric, so
 * every arrangement is counted at once; either way: a difference at least as large, whichever its sign.
 */
export function shuffleShares(first: Share, second: Share): TailProbabilities {
  const [a, b] = [checkedShare(first), checkedShare(second)];
  const found = a.successes + b.successes;
  const { from, masses } = hypergeometric(a.n, found, a.n + b.n);
  const difference = (count: number): number => count / a.n - (found - count) / b.n;
  const seen = difference(a.successes);
  const slack = 1e-12;
  const chance = (holds: (d: number) => boolean): number =>
    Math.min(1, sum(masses.filter((_, i) => holds(difference(from + i)))));
  return {
    either: chance((d) => Math.abs(d) >= Math.abs(seen) - slack),
    greater: chance((d) => d >= seen - slack),
    less: chance((d) => d <= seen + slack),
  };
}
