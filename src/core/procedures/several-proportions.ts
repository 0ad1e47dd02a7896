import { demand } from '../numeric/domain-error';
import { type Adjustment, adjustP } from './adjust-p';
import { type Independence, independence } from './independence';
import { type Share, checkedShare } from './one-proportion';
import { allPairs } from './pairwise';
import { type TwoProportions, twoProportions } from './two-proportions';

export interface ProportionPair {
  a: number;
  b: number;
  comparison: TwoProportions;
  /** Large-sample p adjusted over the pairs. */
  p: number;
}

/** Several independent proportions: whether they differ (chi-square on a k × 2 table). Source: Pearson (1900). */
export function severalProportions(shares: readonly Share[]): Independence {
  demand(shares.length >= 2, 'At least two groups are needed.');
  return independence(shares.map((share) => [share.successes, checkedShare(share).n - share.successes]));
}

/** Which pairs of proportions differ; pairs with all outcomes alike are left out, for nothing in them could differ. */
export function proportionPairs(
  shares: readonly Share[],
  level: number,
  adjustment: Adjustment = 'holm',
): ProportionPair[] {
  const pairs = allPairs(shares.length).flatMap(([a, b]) => {
    const [first, second] = [shares[a], shares[b]];
    if (!first || !second) return [];
    const successes = first.successes + second.successes;
    return successes === 0 || successes === first.n + second.n
      ? []
      : [{ a, b, comparison: twoProportions(first, second, level) }];
  });
  const p = adjustP(
    pairs.map((pair) => pair.comparison.p.either),
    adjustment,
  );
  return pairs.map((pair, i) => ({ ...pair, p: p[i] ?? 1 }));
}
