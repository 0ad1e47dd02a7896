import { shareOf, subsetSums } from '../distributions/counted';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import type { TailProbabilities } from './direction';
import { ranked } from './ranked';

export interface MannWhitney {
  /** Pairs in which the first group's reading is the larger, ties counting half. */
  u: number;
  /** u over all pairs: the chance that a reading of the first group exceeds one of the second. */
  superiority: number;
  method: 'exact' | 'normal';
  /** Whether readings are equal, so that ranks are shared. */
  tied: boolean;
  /** Standardized statistic of the normal method. */
  z: number | undefined;
  p: TailProbabilities;
}

/** Up to this many readings in all the exact distribution is counted. */
const exactUpTo = 120;

/**
 * Mann–Whitney (Wilcoxon rank-sum) test: whether readings of one group tend to be larger. Exact by counting all
 * arrangements of the ranks, ties included; beyond that a normal approximation with corrections for ties and continuity.
 * Two-sided exact p is twice the smaller tail. Assumes independent readings.
 * Source: Wilcoxon (1945), Mann & Whitney (1947); counting with ties: Streitberg & Röhmel (1986).
 */
export function mannWhitney(
  a: readonly number[],
  b: readonly number[],
  method: 'auto' | 'exact' | 'normal' = 'auto',
  continuity = true,
): MannWhitney {
  const [n1, n2] = [a.length, b.length];
  demand(n1 > 0 && n2 > 0, 'Each group needs at least one reading.');
  const n = n1 + n2;
  const { ranks, tieTerm, tied } = ranked([...a, ...b]);
  const rankSum = sum(ranks.slice(0, n1));
  const u = rankSum - (n1 * (n1 + 1)) / 2;
  const exact = method === 'exact' || (method === 'auto' && n <= exactUpTo);
  const base = { u, superiority: u / (n1 * n2), tied };
  if (exact) {
    // Twice the ranks are whole numbers, ties or not.
    const sums = subsetSums(
      ranks.map((r) => Math.round(2 * r)),
      n1,
    );
    const observed = Math.round(2 * rankSum);
    const greater = shareOf(sums, (s) => s >= observed);
    const less = shareOf(sums, (s) => s <= observed);
    return {
      ...base,
      method: 'exact',
      z: undefined,
      p: { either: Math.min(1, 2 * Math.min(greater, less)), greater, less },
    };
  }
  const variance = ((n1 * n2) / 12) * (n + 1 - tieTerm / (n * (n - 1)));
  demand(variance > 0, 'All readings are the same: no rank differs from another.');
  const centred = u - (n1 * n2) / 2;
  const sd = Math.sqrt(variance);
  const half = continuity ? 0.5 : 0;
  const greater = normal.upper((centred - half) / sd);
  const less = normal.lower((centred + half) / sd);
  const z = (Math.abs(centred) - half) / sd;
  return {
    ...base,
    method: 'normal',
    z: Math.sign(centred) * Math.max(0, z),
    p: { either: Math.min(1, 2 * normal.upper(z)), greater, less },
  };
}
